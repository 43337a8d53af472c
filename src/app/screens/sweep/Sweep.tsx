import { memo, useDeferredValue, useState, useSyncExternalStore, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { NO_RULES, type Rules } from '../../../core/many/sweep/rules.ts';
import { selectGivenStatus } from '../../state/answers.ts';
import { selectToldCards, selectSites, selectStyles } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { findUnfinished } from '../../storage/unfinished.ts';
import { sweepOf, type OpenedSite, type SweepRun, type SweepState } from '../../sweep/run.ts';
import { SitePick } from '../../ui/SitePick.tsx';
import { SweepInput } from './SweepInput.tsx';
import { SweepView } from './SweepView.tsx';

/** A whole site: every embed of it found, judged, and put right. */
export function Sweep(): ReactElement {
  const run = sweepOf(useStore() as Store);
  const state = useDeferredValue(useSyncExternalStore(run.watch, run.snapshot));
  return <Swept run={run} state={state} />;
}

/** Drawn only for a state that was not drawn yet, in pieces. */
const Swept = memo(function Swept({ run, state }: { run: SweepRun; state: SweepState }): ReactElement {
  const store = useStore() as Store;
  const ready = useAppSelector((one) => selectGivenStatus(one) === 'ready');
  const sites = useAppSelector(selectSites);
  const [chosen, setChosen] = useState('');
  const site = sites.find(({ id }) => id === chosen) ?? sites[0] ?? null;
  const begin = ({ name, files, note, folder }: OpenedSite, rules: Rules = NO_RULES, forSite = site): void => {
    const world = store.getState();
    run.begin(
      {
        cards: selectToldCards(world),
        site: forSite,
        style: forSite ? selectStyles(world)[forSite.id] : undefined,
        rules,
      },
      { name, files, note, folder },
    );
  };
  /** A sweep that was broken off goes on by what it went by. */
  const open = async (opened: OpenedSite): Promise<void> => {
    const before = await findUnfinished(opened.name).catch(() => undefined);
    const forSite = sites.find(({ id }) => id === before?.site) ?? site;
    if (forSite) setChosen(forSite.id);
    begin(opened, before?.rules, forSite);
  };
  const choose = (id: string): void => {
    setChosen(id);
    if (state.phase !== 'empty') begin(state, state.rules, sites.find((one) => one.id === id) ?? null);
  };
  const siteField = <SitePick site={site?.id ?? ''} choose={choose} />;
  if (state.phase === 'empty')
    return (
      <SweepInput
        ready={ready}
        begin={(name, files, { note = '', folder = null } = {}) => void open({ name, files, note, folder })}
        run={run}
        siteField={siteField}
      />
    );
  return <SweepView state={state} run={run} site={site} siteField={siteField} begin={(opened, rules) => begin(opened, rules)} />;
});
