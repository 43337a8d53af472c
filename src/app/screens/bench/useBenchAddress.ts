import { useEffect, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import { useNavigate, useParams } from 'react-router';
import { emptyWork } from '../../../core/keeping/shelf/work.ts';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { selectGiven, selectGivenStatus } from '../../state/answers.ts';
import { EXAMPLE, opened } from '../../state/bench.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { storageFound } from '../../state/view.ts';
import { factsKept } from '../../state/world.ts';
import { findEmbed, latestEmbed } from '../../storage/embeds.ts';

/**
 * Keeps the address and the work on the Bench in step: an address opens what is saved under it, without
 * one the last work comes back, and at the very first start an example. True when nothing was there.
 */
export function useBenchAddress(): boolean {
  const { id: wanted } = useParams();
  const dispatch = useAppDispatch();
  const store = useStore() as Store;
  const navigate = useNavigate();
  const present = useAppSelector((state) => state.bench.present.id);
  const ready = useAppSelector((state) => selectGivenStatus(state) === 'ready');
  const example = useAppSelector((state) => selectGiven(state).example);
  const [missing, setMissing] = useState(false);
  const last = useRef({ present, wanted: undefined as string | undefined, settled: false });

  useEffect(() => {
    if (!ready) return;
    const before = last.current;
    // The publisher pasted, undid or redid; even before what is saved has come, that goes first.
    const stepped = before.present !== present;
    last.current = { present, wanted, settled: before.settled || stepped };
    if (stepped && wanted !== present) return void navigate(`/bench/${present}`);
    if (before.settled && before.wanted === wanted) return;
    if (wanted === present) {
      last.current.settled = true;
      return;
    }
    let current = true;
    const open = (saved: SavedEmbed | undefined): void => {
      // Something may have been pasted since, and not be on the screen yet.
      if (!current || store.getState().bench.present.id !== present) return;
      const work = saved?.work ?? { ...emptyWork('', EXAMPLE), text: example };
      last.current = { present: work.id, wanted: work.id, settled: true };
      if (saved?.facts.title && saved.item) dispatch(factsKept({ about: saved.item, facts: saved.facts }));
      dispatch(opened(work, saved?.revision));
      setMissing(saved === undefined && wanted !== undefined && wanted !== EXAMPLE);
      if (wanted !== work.id) void navigate({ pathname: `/bench/${work.id}`, hash: location.hash }, { replace: true });
    };
    find(wanted)
      .then(open)
      .catch(() => {
        dispatch(storageFound('missing'));
        open(undefined);
      });
    return () => {
      current = false;
    };
  }, [ready, wanted, present, example, dispatch, store, navigate]);
  return missing && present === EXAMPLE;
}

/** What is saved under the id; without an id, what was changed last. */
async function find(id: string | undefined): Promise<SavedEmbed | undefined> {
  return id === undefined ? latestEmbed() : findEmbed(id);
}
