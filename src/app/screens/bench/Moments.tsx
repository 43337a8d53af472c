import { Suspense, useEffect, type ReactElement } from 'react';
import { foremostOf, type Station as StationData } from '../../../core/known/hosts/stations.ts';
import type { Item } from '../../../core/model/item.ts';
import type { Moment } from '../../../core/model/setting.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import { MOMENT_NAMES } from '../../../messages/moments.ts';
import { afterPaint } from '../../afterPaint.ts';
import { findSetting } from '../../commands/findSetting.ts';
import { toggleSettings } from '../../commands/toggleSettings.ts';
import { sameData } from '../../state/sameData.ts';
import { selectEmbed, selectItem, selectStations } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type State } from '../../state/store.ts';
import { settingsListed } from '../../state/view.ts';
import { lazily } from '../../ui/lazily.ts';
import { Toolbar } from '../../ui/Toolbar.tsx';
import { useCommand } from '../../ui/useCommand.ts';
import { ON_THE_EMBED } from './onTheEmbed.ts';
import { FINDER_BUTTON } from './finderButton.ts';
import { Rail } from './Rail.tsx';
import { Token } from './Token.tsx';
import { t } from '../../../messages/t.ts';

const loadEditor = () => import('./TokenEditor.tsx').then((module) => module.TokenEditor);
const TokenEditor = lazily(loadEditor, () => null);
const loadFinder = () => import('./SettingFinder.tsx').then((module) => module.SettingFinder);
const SettingFinder = lazily(loadFinder, () => null);

const MOMENTS: readonly Moment[] = ['arrive', 'begin', 'during', 'end', 'frame', 'around'];

/** Only who meets a host that nobody knows has need of it. */
const OwnParameters = lazily(
  () => import('./OwnParameters.tsx').then((module) => module.OwnParameters),
  () => null,
);

/** The item where its host is not known, or from a few examples only. */
function selectStrange(state: State): Item | null {
  const item = selectItem(state);
  if (!item || item.form === 'file') return null;
  return item.host === null || state.world.ownCards.some(({ id }) => id === item.host) ? item : null;
}

/** The stations of a visit, and the place in the page: what is set, and what people reach for most. The rest is one press away. */
export function Moments(): ReactElement {
  const stations = useAppSelector(selectStations, sameData);
  const open = useAppSelector((state) => state.view.open !== null);
  const listed = useAppSelector((state) => state.view.listed !== null);
  const strange = useAppSelector(selectStrange);
  const unfolded = useAppSelector((state) => state.view.layout.settingsShown);
  const find = useCommand(findSetting);
  const fold = useCommand(toggleSettings);
  // Ready before it is opened, and there even when the server goes; but not before there is something to open.
  useEffect(() => afterPaint(() => void [loadEditor(), loadFinder()].map((loading) => loading.catch(() => undefined))), []);
  return (
    <section className="moments" aria-label={t('Moments')}>
      <div className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-4 max-desk:grid-cols-[minmax(0,1fr)]">
        <Rail />
        <div className="flex gap-2">
          <button
            type="button"
            id={FINDER_BUTTON}
            className="inline-remedy"
            aria-haspopup="dialog"
            disabled={!find.can}
            onClick={find.run}
          >
            {t('Find a setting')}
          </button>
          <button type="button" className="inline-remedy" aria-expanded={unfolded} aria-controls="stations" onClick={fold.run}>
            {unfolded ? t('Hide settings') : t('Show settings')}
          </button>
        </div>
      </div>
      <div className="stations" id="stations" hidden={!unfolded}>
        <Suspense fallback={null}>{strange && <OwnParameters item={strange} />}</Suspense>
        {stations && MOMENTS.map((moment) => <Station key={moment} moment={moment} station={stations[moment]} />)}
        {!stations && (
          <p className="col-span-full m-0 text-center text-quiet">
            {t('What happens when a visitor arrives, begins, watches and reaches the end is set here.')}
          </p>
        )}
      </div>
      <Suspense fallback={null}>
        {listed && <SettingFinder />}
        {open && <TokenEditor />}
      </Suspense>
    </section>
  );
}

/** Settings that are asked for, and those that are sent without anybody asking. */
function selectSet(state: State): string[] {
  const { settings, plan } = selectEmbed(state)!;
  return [...Object.keys(settings), ...plan.entries.map(({ setting }) => setting)];
}

function Station({ moment, station }: { moment: Moment; station: StationData }): ReactElement | null {
  const dispatch = useAppDispatch();
  const open = useAppSelector((state) => state.view.open);
  const set = useAppSelector(selectSet, sameData);
  if (Object.values(station).every((ids) => ids.length === 0)) return null;
  const { shown, more } = foremostOf(station, new Set(set));
  const hidden = [...more, ...station['not offered'], ...station['not applicable']];
  const { name, words } = MOMENT_NAMES[moment];
  const laid = (id: SettingId): boolean => (shown.includes(id) && !ON_THE_EMBED.has(id)) || (id === open && hidden.includes(id));
  return (
    <Toolbar label={`${name}: ${words}`} className="station">
      <div className="flex min-h-6 items-center justify-between">
        <h2>
          {name} <small>{words}</small>
        </h2>
        {hidden.length > 0 && (
          <button
            type="button"
            className="token station-more text-small text-green"
            aria-haspopup="dialog"
            aria-label={t('{count} more of {name}', { count: hidden.length, name })}
            onClick={() => dispatch(settingsListed(moment))}
          >
            {t('{count} more', { count: hidden.length })}
          </button>
        )}
      </div>
      <ul>
        {[...shown, ...hidden].filter(laid).map((id) => (
          <li key={id}>
            <Token id={id} />
          </li>
        ))}
      </ul>
    </Toolbar>
  );
}
