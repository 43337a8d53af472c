import { Button } from '@mui/material';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { factsAbout } from '../../state/answers.ts';
import { useStore } from 'react-redux';
import type { HostCard } from '../../../core/known/hosts/card.ts';
import type { Item } from '../../../core/model/item.ts';
import { TURNS } from '../../../core/proof/playThrough/question.ts';
import { listen, type Did, type Listened } from '../../../core/teach/listen.ts';
import { LISTENING, sayHeard, sayListened } from '../../../messages/listen.ts';
import { exampleOf, hear, type Hearing } from '../../proof/hear.ts';
import { keepCards } from '../../state/ownCards.ts';
import type { Store } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';

const PLAYED: readonly Did[] = ['plays', 'rests', 'mutes', 'over'];
const TURNED: readonly Did[] = ['turns'];

/** Half a minute with the player of a host: somebody plays it, and what it says meanwhile tells how it reports. */
export function Listen({ card }: { card: HostCard }): ReactElement | null {
  const store = useStore() as Store;
  const [item] = useState(() => exampleOf(store, card));
  const holder = useRef<HTMLDivElement>(null);
  const hearing = useRef<Hearing | null>(null);
  const [step, setStep] = useState<number | null>(null);
  const [count, setCount] = useState(0);
  const [found, setFound] = useState<Listened | null>(null);
  useEffect(() => () => hearing.current?.stop(), []);
  if (!item) return null;
  const steps = TURNS.includes(item.kind) ? TURNED : PLAYED;
  const begin = (): void => {
    hearing.current?.stop();
    setFound(null);
    setCount(0);
    setStep(0);
    hearing.current = hear(store, { item, holder: holder.current!, heard: () => setCount((before) => before + 1) });
    holder.current!.parentElement!.scrollIntoView({ block: 'start' });
  };
  const next = (did: Did | null): void => {
    const { current } = hearing;
    if (did) current!.did(did);
    if (step! + 1 < steps.length) return setStep(step! + 1);
    setFound(listen(current!.log, knownOf(store, item)));
    setStep(null);
    current!.stop();
  };
  const keep = async (): Promise<void> => {
    await keepCards(store, [{ ...card, player: found!.player! }]);
    setFound(null);
  };
  const now = step === null ? null : LISTENING[steps[step]!];
  return (
    <section aria-label={t('Its player')} id="listen">
      <h3>{t('Its player')}</h3>
      <div role="status">
        {now && <p>{now.asked}</p>}
        {now && <p className="text-quiet">{sayHeard(count)}</p>}
        {found && <Found found={found} />}
        {!now && !found && (
          <p>
            {card.player
              ? t('It is known how its player reports.')
              : t(
                  'It is not known how its player reports. Listen to it for half a minute, and embeds of this host can be played through.',
                )}
          </p>
        )}
      </div>
      <div>
        {now && (
          <>
            <Button variant="contained" onClick={() => next(steps[step!]!)}>
              {now.done}
            </Button>
            {now.cannot && <Button onClick={() => next(null)}>{now.cannot}</Button>}
          </>
        )}
        {found?.player && (
          <Button variant="contained" onClick={() => void keep()}>
            {t('Keep what was heard')}
          </Button>
        )}
        {!now && (
          <Button variant="outlined" onClick={begin}>
            {found || card.player ? t('Listen again') : t('Listen to its player')}
          </Button>
        )}
      </div>
      <div ref={holder} className="card-stage" />
    </section>
  );
}

const knownOf = (store: Store, item: Item) => factsAbout(store.getState(), item.canonical);

function Found({ found }: { found: Listened }): ReactElement {
  return (
    <ul className="bullets">
      {sayListened(found).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}
