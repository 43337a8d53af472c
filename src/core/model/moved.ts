import type { Candidate, PlacedAttribute, Range } from './candidate.ts';
import type { Running } from './running.ts';

/** The candidate as it stands in another text: every range of it, begin and end, taken over by `place`. */
export function moved(candidate: Candidate, place: (offset: number) => number): Candidate {
  const over = ([from, to]: Range): Range => [place(from), place(to)];
  const attribute = (a: PlacedAttribute): PlacedAttribute => ({ ...a, whole: over(a.whole), range: a.range && over(a.range) });
  return {
    ...candidate,
    range: over(candidate.range),
    addressRange: candidate.addressRange && over(candidate.addressRange),
    ...(candidate.doubt && { doubt: { ...candidate.doubt, range: over(candidate.doubt.range) } }),
    attributes: candidate.attributes.map(attribute),
    ...(candidate.holder && { holder: attribute(candidate.holder) }),
    ...(candidate.tag && { tag: over(candidate.tag) }),
    ...(candidate.wrapper && {
      wrapper: { ...candidate.wrapper, padding: over(candidate.wrapper.padding), frame: over(candidate.wrapper.frame) },
    }),
    ...(candidate.running && { running: movedRunning(candidate.running, place) }),
  };
}

/** What runs, with its ranges in another text. */
export const movedRunning = (running: readonly Running[], place: (offset: number) => number): readonly Running[] =>
  running.map((one) => ({ ...one, range: [place(one.range[0]), place(one.range[1])] }));
