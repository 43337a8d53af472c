import { Parser } from 'htmlparser2';

/** Several codes as one, one below the other, `space` pixels apart; a script that several of them bring stands once, at the end. */
export function blockOf(codes: readonly string[], space: number): string {
  const scripts = new Set<string>();
  const bare = codes.map((code) => {
    const found = scriptsOf(code);
    found.forEach(([from, to]) => scripts.add(code.slice(from, to)));
    return found.reduceRight((text, [from, to]) => text.slice(0, from) + text.slice(to), code).trim();
  });
  const parts = bare.filter((code) => code !== '').map((code, i) => (i === 0 || space === 0 ? code : `${gap(space)}\n${code}`));
  return [...parts, ...scripts].join('\n');
}

const gap = (space: number): string => `<div style="height:${space}px" aria-hidden="true"></div>`;

/** Where the script elements of a code stand. */
function scriptsOf(code: string): [number, number][] {
  const found: [number, number][] = [];
  let from = -1;
  const parser = new Parser({
    onopentag: (name) => {
      if (name === 'script') from = parser.startIndex;
    },
    onclosetag: (name) => {
      if (name === 'script') found.push([from, parser.endIndex + 1]);
    },
  });
  parser.end(code);
  return found;
}
