import { Button } from '@mui/material';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { makeBook } from '../../../core/known/hosts/book.ts';
import { isProposed, type HostCard } from '../../../core/known/hosts/card.ts';
import { readReport, type PlayerReport } from '../../../core/known/hosts/playerReport.ts';
import { SETTINGS } from '../../../core/known/settings/list.ts';
import { proposed, spellingsFor, withProposal, withSeen, type Proposal } from '../../../core/teach/propose.ts';
import { saySetting } from '../../../messages/settings.ts';
import { sayHeard, sayReport } from '../../../messages/listen.ts';
import { exampleOf, hear, type Hearing } from '../../proof/hear.ts';
import { keepCards } from '../../state/ownCards.ts';
import type { Store } from '../../state/store.ts';
import { SettingPick } from '../../ui/SettingPick.tsx';
import { t } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

/** A setting that nobody has an example of: the player without it and with it, beside each other, and what somebody saw. */
export function TryIt({ card }: { card: HostCard }): ReactElement | null {
  const store = useStore() as Store;
  const [item] = useState(() => exampleOf(store, card));
  const [ways, setWays] = useState<readonly Proposal[]>([]);
  const [way, setWay] = useState<Proposal | null>(null);
  const [own, setOwn] = useState('');
  const [said, setSaid] = useState('');
  if (!item) return null;
  const open = SETTINGS.filter(
    ({ id, moment }) => moment !== 'frame' && moment !== 'around' && (!card.settings[id] || isProposed(card.settings[id])),
  );
  const asked = ways[0];
  const typed = asked && own.trim() !== '' ? proposed(asked.setting, asked.value, own) : null;
  const keep = async (obeyed: boolean): Promise<void> => {
    await keepCards(store, [withSeen(card, way!, { obeyed, date: new Date().toISOString().slice(0, 10) })]);
    setSaid(
      obeyed ? t('Kept with today’s date. It can be set on the Bench.') : t('Kept with today’s date: the host does not have it.'),
    );
    setWay(null);
    setWays([]);
  };
  return (
    <section aria-label={t('Try a setting')}>
      <h3>{t('Try a setting')}</h3>
      <p>{t('Nobody has shown how this host spells it? See its player without the setting and with it, beside each other.')}</p>
      <div className="line my-2 [&_[aria-pressed=true]]:bg-green-wash">
        <SettingPick
          possible={open}
          words={t('Find spellings')}
          take={(setting, value) => {
            setWays(spellingsFor(setting, value, card));
            setWay(null);
            setSaid('');
          }}
        />
      </div>
      {asked && (
        <div className="line my-2 [&_[aria-pressed=true]]:bg-green-wash" role="group" aria-label={t('Spellings to try')}>
          {[...ways, ...(typed ? [typed] : [])].map((one) => (
            <Button key={one.raw} variant="outlined" aria-pressed={one.raw === way?.raw} onClick={() => setWay(one)}>
              {one.raw}
            </Button>
          ))}
          <WordsField label={t('Another')} placeholder="name=value" value={own} set={setOwn} />
        </div>
      )}
      {way && (
        <>
          <div className="beside grid grid-cols-[repeat(auto-fit,minmax(min(320px,100%),1fr))] gap-4 [&_figcaption]:font-semibold [&_figure]:m-0 [&_figure]:min-w-0">
            <Player
              key="without"
              card={card}
              proposal={null}
              words={t('Without “{setting}”', { setting: saySetting(way.setting, way.value) })}
            />
            <Player key={way.raw} card={card} proposal={way} words={t('With {raw}', { raw: way.raw })} />
          </div>
          <div className="line my-2 [&_[aria-pressed=true]]:bg-green-wash">
            <Button variant="contained" onClick={() => void keep(true)}>
              {t('It does what was asked')}
            </Button>
            <Button
              onClick={() => {
                setWays(ways.filter(({ raw }) => raw !== way.raw));
                setWay(ways.find(({ raw }) => raw !== way.raw) ?? null);
              }}
            >
              {t('No difference: next spelling')}
            </Button>
            <Button onClick={() => void keep(false)}>{t('The host does not have it')}</Button>
          </div>
        </>
      )}
      <p role="status">{said}</p>
    </section>
  );
}

/** One of the two players, with what it says of itself where that is known. */
function Player({ card, proposal, words }: { card: HostCard; proposal: Proposal | null; words: string }): ReactElement {
  const store = useStore() as Store;
  const holder = useRef<HTMLDivElement>(null);
  const [count, setCount] = useState(0);
  const [report, setReport] = useState<PlayerReport | null>(null);
  useEffect(() => {
    const item = exampleOf(store, card);
    if (!item) return undefined;
    const hearing: Hearing = hear(store, {
      item,
      holder: holder.current!,
      ...(proposal && { settings: { [proposal.setting]: proposal.value }, book: makeBook([withProposal(card, proposal)]) }),
      heard: (message) => {
        setCount((before) => before + 1);
        const read = card.player && readReport(card.player, message);
        if (read) setReport((before) => ({ ...before, ...read }));
      },
    });
    return hearing.stop;
  }, [store, card, proposal]);
  return (
    <figure>
      <figcaption>{words}</figcaption>
      <div ref={holder} className="card-stage" />
      <p className="text-quiet">{report ? sayReport(report) : sayHeard(count)}</p>
    </figure>
  );
}
