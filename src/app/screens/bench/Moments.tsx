import { Suspense, useEffect, type ReactElement, type ReactNode } from 'react';
import { offerOf } from '../../../core/hosts/offers.ts';
import type { Item } from '../../../core/model/item.ts';
import type { Moment } from '../../../core/model/setting.ts';
import { makesSense, needsNoHost, SETTINGS, type SettingId, type Settings } from '../../../core/settings/list.ts';
import { selectBook, selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { placeShown } from '../../state/view.ts';
import { lazily } from '../../ui/lazily.ts';
import { OwnParameters } from './OwnParameters.tsx';
import { Rail } from './Rail.tsx';
import { Token } from './Token.tsx';

const loadEditor = () => import('./TokenEditor.tsx').then((module) => module.TokenEditor);
const TokenEditor = lazily(loadEditor, () => null);

const STATIONS: readonly { moment: Moment; name: string; words: string }[] = [
  { moment: 'arrive', name: 'Arrive', words: 'when the page opens' },
  { moment: 'begin', name: 'Begin', words: 'when it starts' },
  { moment: 'during', name: 'During', words: 'while it runs' },
  { moment: 'end', name: 'End', words: 'when it is over' },
];

/** The place in the page: the frame itself, or what stands around it. */
const PLACES = [
  { moment: 'frame', name: 'Frame', words: 'how it stands in the page' },
  { moment: 'around', name: 'Around', words: 'heading, caption and what else belongs to it' },
] as const;

/** The four stations of a visit, and the frame; every setting as a short sentence that opens in place. */
export function Moments(): ReactElement {
  const dispatch = useAppDispatch();
  const embed = useAppSelector(selectEmbed);
  const place = useAppSelector((state) => state.view.place);
  const open = useAppSelector((state) => state.view.open !== null);
  // Ready before it is opened, and there even when the server goes.
  useEffect(() => void loadEditor().catch(() => undefined), []);
  return (
    <section className="moments" aria-label="Moments">
      <Rail />
      <div className="stations">
        {embed?.item.host === null && <OwnParameters parameters={embed.item.unknown} />}
        {embed &&
          STATIONS.map(({ moment, name, words }) => (
            <Station key={moment} moment={moment} item={embed.item} settings={embed.settings}>
              {name} <small>{words}</small>
            </Station>
          ))}
        {embed && (
          <Station moment={place} item={embed.item} settings={embed.settings}>
            {PLACES.map(({ moment, name, words }) => (
              <button
                key={moment}
                type="button"
                className="place"
                title={words}
                aria-pressed={moment === place}
                onClick={() => dispatch(placeShown(moment))}
              >
                {name}
              </button>
            ))}
          </Station>
        )}
        {!embed && <p className="quiet">What happens when a visitor arrives, begins, watches and reaches the end is set here.</p>}
      </div>
      <Suspense fallback={null}>{open && <TokenEditor />}</Suspense>
    </section>
  );
}

interface StationProps {
  moment: Moment;
  item: Item;
  settings: Settings;
  /** Its heading. */
  children: ReactNode;
}

function Station({ moment, item, settings, children }: StationProps): ReactElement | null {
  const book = useAppSelector(selectBook);
  const all = SETTINGS.filter((s) => s.moment === moment && (belongs(s, item) || settings[s.id] !== undefined)).map((s) => s.id);
  const shown = all.filter(
    (id) => settings[id] !== undefined || (offerOf(id, item, book) === 'offered' && (!onCover(id) || settings.load === 'ask')),
  );
  if (all.length === 0) return null;
  return (
    <div className="station" data-moment={moment}>
      <h2>{children}</h2>
      <ul>
        {shown.map((id) => (
          <li key={id}>
            <Token id={id} />
          </li>
        ))}
      </ul>
      <Lacking ids={all.filter((id) => !shown.includes(id) && offerOf(id, item, book) === 'not offered')} words="not offered" />
      <Lacking
        ids={all.filter((id) => !shown.includes(id) && offerOf(id, item, book) === 'not applicable')}
        words="not for this kind"
      />
    </div>
  );
}

/** What is on the cover is of no use before there is one. */
const onCover = (id: SettingId): boolean => id === 'cover' || id === 'coverWords' || id === 'consent';

/** Settings that cannot be had for the item, by name. */
function Lacking({ ids, words }: { ids: readonly SettingId[]; words: string }): ReactElement | null {
  if (ids.length === 0) return null;
  return (
    <p className="lacking">
      {words}:
      {ids.map((id) => (
        <Token key={id} id={id} brief />
      ))}
    </p>
  );
}

/** Without a host, only the frame can be set. */
const belongs = ({ id }: (typeof SETTINGS)[number], { host, kind, form }: Item): boolean =>
  makesSense(id, kind) && (needsNoHost(id) || host !== null || form === 'file');
