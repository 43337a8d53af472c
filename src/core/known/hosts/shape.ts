/** One class or sign of a shape, with how often it may stand. */
interface Part {
  of: RegExp;
  least: number;
  most: number;
}

const PART = /(\[[^\]]+\]|[A-Za-z0-9_-])(?:\{(\d{1,2})(?:,(\d{1,2}))?\}|(\+))?/g;

function partsOf(shape: string): Part[] {
  return [...shape.matchAll(PART)].map(([, of, least, most, plus]) => ({
    of: new RegExp(`^${of}$`),
    least: least === undefined ? 1 : Number(least),
    most: plus ? Infinity : Number(most ?? least ?? 1),
  }));
}

/** The shape of free words, which say nothing. */
export const ANYTHING = '*';

/**
 * Whether a text has the shape of an identifier: classes and signs, one after the other, each with a plain quantifier.
 * Where at most one of them may stand a varying number of times, a regular expression has nothing to go back over.
 * Otherwise all places that a match may have reached are kept together, one pass a part: linear in the text, whatever
 * the shape.
 */
export function compileShape(shape: string): (text: string) => boolean {
  if (shape === ANYTHING) return () => true;
  const parts = partsOf(shape);
  if (parts.filter(({ least, most }) => least !== most).length < 2) {
    const whole = new RegExp(`^(?:${shape})$`);
    return (text) => whole.test(text);
  }
  return (text) => {
    let reached = new Uint8Array(text.length + 1);
    reached[0] = 1;
    for (const part of parts) reached = advance(reached, text, part);
    return reached[text.length] === 1;
  };
}

/** Whether a text has one of several shapes. */
export function compileShapes(shapes: string | readonly string[]): (text: string) => boolean {
  if (typeof shapes === 'string') return compileShape(shapes);
  const all = shapes.map(compileShape);
  return (text) => all.some((has) => has(text));
}

/** The places that are reached by one more part, from those that were. */
function advance(from: Uint8Array<ArrayBuffer>, text: string, { of, least, most }: Part): Uint8Array<ArrayBuffer> {
  const to = new Uint8Array(text.length + 1);
  /** First place of the present run of signs of this class. */
  let run = 0;
  /** How many places between `low` and `high` were reached: those from which this part may end here. */
  let open = 0;
  let [low, high] = [0, 0];
  for (let end = 0; end <= text.length; end++) {
    if (end > 0 && !of.test(text.charAt(end - 1))) {
      run = end;
      open = 0;
      low = end;
      high = end;
    }
    while (high <= end - least) open += from[high++]!;
    while (low < Math.max(run, end - most)) {
      if (low < high) open -= from[low]!;
      low++;
    }
    if (high < low) high = low;
    if (open > 0) to[end] = 1;
  }
  return to;
}
