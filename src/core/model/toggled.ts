/** A set with these put in where they are not, and taken out where they are. */
export function toggled<One>(set: ReadonlySet<One>, ones: Iterable<One>): Set<One> {
  const all = new Set(set);
  for (const one of ones) if (!all.delete(one)) all.add(one);
  return all;
}
