/** Nothing of ours nests deeper by far; what reads JSON step by step may run out of room on more. */
const DEEPEST = 200;

/** The value that a text holds as JSON (RFC 8259), or in a few words why it holds none. */
export function readJson(text: string): { value: unknown } | { wrong: string } {
  if (depthOf(text) > DEEPEST) return { wrong: `it nests deeper than ${DEEPEST} levels` };
  try {
    return { value: JSON.parse(text.replace(/^\uFEFF/, '')) as unknown };
  } catch (error) {
    return { wrong: `it is not JSON: ${error instanceof Error ? error.message : String(error)}` };
  }
}

/** How deep brackets stand within each other, those in strings left out. */
function depthOf(text: string): number {
  let [depth, deepest] = [0, 0];
  for (const { 0: token } of text.matchAll(/"(?:[^"\\]|\\[^])*"?|[[{]|[\]}]/g)) {
    if (token === '[' || token === '{') deepest = Math.max(deepest, ++depth);
    else if (token === ']' || token === '}') depth--;
  }
  return deepest;
}

/** Equal as JSON, whatever the order of the fields. */
export function sameJson(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || a === null || typeof b !== 'object' || b === null) return a === b;
  const [mine, theirs] = [a, b].map((one) => Object.entries(one).filter(([, value]) => value !== undefined));
  return mine!.length === theirs!.length && mine!.every(([name, value]) => sameJson(value, (b as Record<string, unknown>)[name]));
}
