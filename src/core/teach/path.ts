import type { Pack } from '../known/hosts/card.ts';
import type { DraftTarget, FramePart } from './draft.ts';
import type { Sight } from './evidence.ts';

/**
 * Makes places in the frame templates for settings that stand in the path, and gives what was seen there the names of
 * these places.
 */
export function placeInPath(
  targets: readonly DraftTarget[],
  sights: readonly Sight[],
  packs: ReadonlyMap<string, Pack>,
): Sight[] {
  const made = new Map<string, string>();
  return sights.map((sight) => {
    const pack = sight.main.in === 'packed' ? packs.get(sight.main.pack!) : undefined;
    const inPath = sight.main.in === 'path' || pack?.in === 'path';
    if (!inPath) return sight;
    const target = targets.find(({ name }) => name === sight.target);
    const at = sight.main.in === 'path' ? sight.main : sight.place;
    if (!target || !at) return sight;
    const key = `${sight.target}:${at.name}:${at.added ? 'added' : ''}`;
    const name = made.get(key) ?? (pack ? pack.name : sight.setting);
    const rest = made.has(key) ? undefined : makePlace(target.frame, { at: Number(at.name), name, trace: at });
    made.set(key, name);
    return sight.main.in === 'path' ? { ...sight, main: { ...sight.main, name }, ...(rest !== undefined && { rest }) } : sight;
  });
}

type Frame = DraftTarget['frame'];

/** Returns what stands there where nothing is asked, if anything does. */
function makePlace(
  frame: Frame,
  {
    at,
    name,
    trace,
  }: { at: number; name: string; trace: { text: string | undefined; was: string | undefined; added?: boolean } },
): string | undefined {
  const segments = [...frame].filter(([place]) => place.startsWith('path:')).map(([, parts]) => parts);
  const put: FramePart = { put: name, as: 'setting', ...(trace.added && { optional: true }) };
  let rest: string | undefined;
  if (trace.added) segments.splice(at, 0, [put]);
  else if (trace.was === undefined || trace.was === '' || trace.text?.startsWith(trace.was))
    segments[at] = [...(segments[at] ?? []), put];
  else {
    segments[at] = [put];
    rest = trace.was;
  }
  for (const place of [...frame.keys()]) if (place.startsWith('path:')) frame.delete(place);
  const others = [...frame];
  frame.clear();
  segments.forEach((parts, i) => frame.set(`path:${i}`, parts));
  for (const [place, parts] of others) frame.set(place, parts);
  return rest;
}
