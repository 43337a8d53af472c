import { Button } from '@mui/material';
import { useState, type ReactElement, type SubmitEvent } from 'react';
import { useLiveQuery } from 'dexie-react-hooks';
import { useStore } from 'react-redux';
import type { LibraryStep } from '../../../core/known/hosts/library.ts';
import { sayCardChange, sayCardRefusal, sayLibraryRefusal, STEP_WORDS } from '../../../messages/library.ts';
import { selectGiven } from '../../state/answers.ts';
import { lookAtLibrary, takeFromLibrary, type Looked } from '../../state/libraries.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { removeLibrary } from '../../state/removing.ts';
import { listLibraries, type KeptLibrary } from '../../storage/libraries.ts';
import { showMoment, t } from '../../../messages/t.ts';
import { Tick } from '../../fields/Tick.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

/** Cards that others keep at an address: looked at, taken in, and brought up to date when somebody asks for it. */
export function Libraries(): ReactElement {
  const store = useStore() as Store;
  const libraries = useLiveQuery(() => listLibraries().catch(() => [])) ?? [];
  const [looked, setLooked] = useState<Looked | null>(null);
  const [asking, setAsking] = useState(false);
  const [typed, setTyped] = useState('');
  const demo = useAppSelector((state) => sampleList(selectGiven(state).example));
  const read = async (address: string): Promise<void> => {
    setAsking(true);
    setLooked(await lookAtLibrary(store, address));
    setAsking(false);
  };
  const submit = (event: SubmitEvent<HTMLFormElement>): void => {
    event.preventDefault();
    void read(typed.trim());
  };
  const take = async (library: KeptLibrary, chosen: readonly LibraryStep[]): Promise<void> => {
    await takeFromLibrary(store, library, chosen);
    await read(library.address);
  };
  return (
    <div className="max-w-[960px]">
      <h2>{t('Card libraries')}</h2>
      <p>
        {t(
          'A list of cards that a team, or a host itself, keeps at an address. You see what would change before you take anything.',
        )}
      </p>
      <form className="try" onSubmit={submit}>
        <WordsField
          label={t('Address of the list')}
          type="url"
          placeholder="https://…/cards.json"
          value={typed}
          set={setTyped}
          control={{ required: true }}
        />
        <Button type="submit" variant="outlined" disabled={asking}>
          {t('Look at it')}
        </Button>
      </form>
      {libraries.length === 0 && !looked && (
        <div className="max-w-[70ch]">
          <p>
            {t(
              'A list names each card with its version and a checksum, so that nothing comes in changed on the way. Cards that you made or changed yourself are never overwritten without being asked.',
            )}
          </p>
          {demo !== null && (
            <p>
              {t('The sample world keeps such a list, of three hosts that are in nobody’s book.')}{' '}
              <Button variant="outlined" disabled={asking} onClick={() => void read(demo)}>
                {t('Look at the sample list')}
              </Button>
            </p>
          )}
        </div>
      )}
      {libraries.length > 0 && (
        <ul className="*:border-t *:border-hair *:py-1.5">
          {libraries.map(({ address, name, looked: when, taken }) => (
            <li key={address}>
              <strong>{name}</strong> <small className="text-quiet">{address}</small>
              <br />
              {t('{count, plural, one {# card} other {# cards}} imported; looked at on {date}', {
                count: taken.length,
                date: showMoment(when),
              })}{' '}
              <Button disabled={asking} onClick={() => void read(address)}>
                {t('Look for updates')}
              </Button>
              <Button onClick={() => void removeLibrary(store, { address, name }).then(() => setLooked(null))}>
                {t('Forget it')}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div role="status">
        {asking && <p>{t('The list and its cards are being fetched …')}</p>}
        {!asking && looked && 'refusal' in looked && <p className="wrong">{sayLibraryRefusal(looked.refusal)}</p>}
      </div>
      {!asking && looked && 'steps' in looked && (
        <Steps key={looked.library.looked} {...looked} take={(chosen) => void take(looked.library, chosen)} />
      )}
    </div>
  );
}

/** Where the sample world keeps a list, by the address of one of its items; null where there is no sample world. */
function sampleList(example: string): string | null {
  const { protocol, host } = window.location;
  return example.includes(`.${host}/`) ? `${protocol}//packhorse.${host}/cards.json` : null;
}

interface StepsProps {
  library: KeptLibrary;
  steps: readonly LibraryStep[];
  take: (chosen: readonly LibraryStep[]) => void;
}

/** What taking each card would do. What was made or changed by hand is never proposed. */
function Steps({ library, steps, take }: StepsProps): ReactElement {
  const usual = steps.filter(({ what }) => what === 'new' || what === 'newer');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(usual.map(({ id }) => id)));
  const choose = (id: string, on: boolean): void =>
    setChosen(new Set(on ? [...chosen, id] : [...chosen].filter((one) => one !== id)));
  return (
    <section aria-label={t('What is in {library}', { library: library.name })}>
      <h3>{library.name}</h3>
      <ul className="*:border-t *:border-hair *:py-1.5 [&_p]:mt-0.5 [&_p]:mb-0 [&_p]:ml-6.5">
        {steps.map((step) => (
          <li key={step.id}>
            <Tick
              label={'card' in step ? step.card.name : step.id}
              on={chosen.has(step.id)}
              disabled={step.what === 'refused' || step.what === 'same'}
              set={(on) => choose(step.id, on)}
            />{' '}
            <small>{t('version {version}, {step}', { version: step.version, step: STEP_WORDS[step.what] })}</small>
            {step.what === 'refused' && <p className="wrong">{sayCardRefusal(step.refusal)}</p>}
            {'changes' in step && <p className="text-quiet">{step.changes.map(sayCardChange).join('; ')}</p>}
          </li>
        ))}
      </ul>
      <Button variant="contained" disabled={chosen.size === 0} onClick={() => take(steps.filter(({ id }) => chosen.has(id)))}>
        {usual.length === 0 && chosen.size === 0
          ? t('Nothing is new')
          : t('Import {chosen, plural, one {# card} other {# cards}}', { chosen: chosen.size })}
      </Button>
    </section>
  );
}
