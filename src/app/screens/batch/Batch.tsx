import { language } from '../../../messages/language.ts';
import { useDeferredValue, useEffect, useState, useSyncExternalStore, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { batchOf, findBatch, keepBatch, type KeptBatch } from '../../batch/run.ts';
import { selectGivenStatus } from '../../state/answers.ts';
import { selectToldCards, selectSites, selectStyles } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { BatchInput } from './BatchInput.tsx';
import { BatchRows } from './BatchRows.tsx';

const NOTHING: KeptBatch = { batch: '', text: '', name: '', roles: null, site: '', forAll: {}, asks: true };

/** Many links at once: rows become codes, and those that need somebody come first. */
export function Batch(): ReactElement {
  const store = useStore() as Store;
  const run = batchOf(store);
  // Drawn in small steps, between which the screen is free.
  const state = useDeferredValue(useSyncExternalStore(run.watch, run.snapshot));
  const ready = useAppSelector((one) => selectGivenStatus(one) === 'ready');
  const sites = useAppSelector(selectSites);
  const [batch, setBatch] = useState<KeptBatch>(NOTHING);
  const [found, setFound] = useState(false);
  useEffect(() => {
    findBatch()
      .then((kept) => kept && setBatch((now) => (now === NOTHING ? kept : now)))
      .catch(() => undefined)
      .finally(() => setFound(true));
    void run.comeBack();
  }, [run]);
  const given = batch.text !== '';
  useEffect(() => {
    if (given) run.prepare(language());
  }, [run, given]);
  const change = (part: Partial<KeptBatch>): KeptBatch => {
    const next = { ...batch, ...part };
    setBatch(next);
    void keepBatch(next).catch(() => undefined);
    return next;
  };
  const begin = (part: Partial<KeptBatch> = {}): void => {
    const next = change({ batch: batch.batch || `batch-${Date.now().toString(36)}`, ...part });
    const world = store.getState();
    const { text, roles, forAll, asks } = next;
    run.begin({
      language: language(),
      id: next.batch,
      text,
      roles,
      forAll,
      asks,
      site: next.site || sites[0]?.id || '',
      cards: selectToldCards(world),
      providers: world.world.providers,
      sites,
      styles: selectStyles(world),
      today: world.view.today,
    });
  };
  const again = (): void => {
    run.clear();
    change(NOTHING);
  };
  if (state.phase === 'empty' || !state.table)
    return <BatchInput batch={batch} change={change} begin={begin} ready={ready && found} />;
  return <BatchRows run={run} state={state} batch={batch} table={state.table} begin={begin} again={again} />;
}
