import { Suspense, useEffect, type ReactElement, type ReactNode } from 'react';
import type { Station as StationData } from '../../../core/known/hosts/stations.ts';
import type { Moment } from '../../../core/model/setting.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import { sameData } from '../../state/sameData.ts';
import { selectStations } from '../../state/selectors.ts';
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
  const stations = useAppSelector(selectStations, sameData);
  const place = useAppSelector((state) => state.view.place);
  const open = useAppSelector((state) => state.view.open !== null);
  // Ready before it is opened, and there even when the server goes.
  useEffect(() => void loadEditor().catch(() => undefined), []);
  return (
    <section className="moments" aria-label="Moments">
      <Rail />
      <div className="stations">
        <OwnParameters />
        {stations &&
          STATIONS.map(({ moment, name, words }) => (
            <Station key={moment} moment={moment} station={stations[moment]}>
              {name} <small>{words}</small>
            </Station>
          ))}
        {stations && (
          <Station moment={place} station={stations[place]}>
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
        {!stations && (
          <p className="quiet">What happens when a visitor arrives, begins, watches and reaches the end is set here.</p>
        )}
      </div>
      <Suspense fallback={null}>{open && <TokenEditor />}</Suspense>
    </section>
  );
}

interface StationProps {
  moment: Moment;
  station: StationData;
  /** Its heading. */
  children: ReactNode;
}

function Station({ moment, station, children }: StationProps): ReactElement | null {
  if (Object.values(station).every((ids) => ids.length === 0)) return null;
  return (
    <div className="station" data-moment={moment}>
      <h2>{children}</h2>
      <ul>
        {station.offered.map((id) => (
          <li key={id}>
            <Token id={id} />
          </li>
        ))}
      </ul>
      <Lacking ids={station['not offered']} words="not offered" />
      <Lacking ids={station['not applicable']} words="not for this kind" />
    </div>
  );
}

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
