import { useEffect, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import { useNavigate, useParams } from 'react-router';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { selectGivenStatus } from '../../state/answers.ts';
import { EXAMPLE } from '../../state/bench.ts';
import { findWork, openWork } from '../../state/openWork.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { storageFound } from '../../state/view.ts';

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
      const id = openWork(store, saved);
      last.current = { present: id, wanted: id, settled: true };
      setMissing(saved === undefined && wanted !== undefined && wanted !== EXAMPLE);
      if (wanted !== id) void navigate({ pathname: `/bench/${id}`, hash: location.hash }, { replace: true });
    };
    findWork(wanted)
      .then(open)
      .catch(() => {
        dispatch(storageFound('missing'));
        open(undefined);
      });
    return () => {
      current = false;
    };
  }, [ready, wanted, present, dispatch, store, navigate]);
  return missing && present === EXAMPLE;
}
