import { useEffect, useRef, useState } from 'react';

/** Milliseconds without a change after which a draft is kept. */
const QUIET = 400;

interface Ways<Thing> {
  /** What may be kept of a draft; undefined while something in it is wrong. */
  check: (draft: Thing) => Thing | undefined;
  keep: (thing: Thing) => void;
}

export interface KeptDraft<Thing> {
  draft: Thing;
  change: (to: (before: Thing) => Thing) => void;
  /** `wrong`: what is wrong is not kept, and neither is the rest until it is right. */
  state: 'kept' | 'waiting' | 'wrong';
  /** Goes back by one change that was kept; null where there is none. */
  undo: (() => void) | null;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Something that is kept by itself while it is changed, as soon as it is right and nobody types; at the latest when its
 * screen is left. What comes from another window is taken over, unless something of one's own is not kept yet.
 */
export function useKeptDraft<Thing>(thing: Thing, { check, keep }: Ways<Thing>): KeptDraft<Thing> {
  const [draft, setDraft] = useState(thing);
  const [kept, setKept] = useState(thing);
  /** What was given last, and what was kept from here and is not given back yet: that is no news of another window. */
  const [given, setGiven] = useState(thing);
  const [own, setOwn] = useState<readonly Thing[]>([]);
  const [past, setPast] = useState<readonly Thing[]>([]);
  const good = check(draft);
  const waiting = !same(good ?? draft, kept);
  if (!same(thing, given)) {
    setGiven(thing);
    const back = own.findIndex((one) => same(one, thing));
    if (back >= 0) setOwn(own.slice(back + 1));
    else if (!same(thing, kept)) {
      setKept(thing);
      if (!waiting) setDraft(thing);
    }
  }
  const put = (good: Thing): void => {
    setKept(good);
    setOwn([...own, good]);
    keep(good);
  };
  const store = (): void => {
    if (!waiting || good === undefined) return;
    setPast([...past, kept]);
    put(good);
  };
  const latest = useRef(store);
  useEffect(() => {
    latest.current = store;
  });
  useEffect(() => {
    if (!waiting) return;
    const timer = setTimeout(() => latest.current(), QUIET);
    return () => clearTimeout(timer);
  }, [draft, waiting]);
  useEffect(() => () => latest.current(), []);
  const before = past.at(-1);
  return {
    draft,
    change: setDraft,
    state: !waiting ? 'kept' : good === undefined ? 'wrong' : 'waiting',
    undo:
      before === undefined
        ? null
        : () => {
            setPast(past.slice(0, -1));
            setDraft(before);
            put(before);
          },
  };
}
