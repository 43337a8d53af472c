import type { Candidate } from '../model/candidate.ts';
import { read } from '../steps/read/read.ts';
import type { Example } from './examples.ts';

/** Links and codes in a text, in their order, each as an example of its own; a code right behind a link goes with it. */
export function splitExamples(text: string): Example[] {
  const found = read(text)
    .filter(({ address }) => address !== null)
    .sort((a, b) => a.range[0] - b.range[0]);
  const examples: Example[] = [];
  for (const candidate of found) {
    if (candidate.source === 'link' || candidate.source === 'markdown') {
      examples.push({ link: candidate.address! });
      continue;
    }
    const last = examples.at(-1);
    if (last?.link !== undefined && last.code === undefined) last.code = codeOf(candidate, text);
    else examples.push({ code: codeOf(candidate, text) });
  }
  return examples;
}

/** Of several placeholders of one script, each with the script. */
function codeOf({ range, tag, source, address }: Candidate, text: string): string {
  const code = text.slice(Math.min(range[0], tag?.[0] ?? range[0]), range[1]);
  return source === 'script' && !code.includes('<script') ? `${code}<script src="${address}"></script>` : code;
}
