import type { Code } from '../model/code.ts';
import { wordsIn } from '../model/words.ts';

const FILES: Readonly<Record<string, [ending: string, type: string]>> = {
  markdown: ['md', 'text/markdown'],
  jsx: ['jsx', 'text/plain'],
  oembed: ['json', 'application/json'],
  link: ['txt', 'text/plain'],
  shortcode: ['txt', 'text/plain'],
};

/** Name, content and type of the file for a code. */
export function fileOf(
  { form, text }: Pick<Code, 'form' | 'text'>,
  title: string | null,
): [name: string, text: string, type: string] {
  const [ending, type] = FILES[form] ?? ['html', 'text/html'];
  return [`${plainName(title)}.${ending}`, text, type];
}

/** Small letters and digits of a title, which every system takes as a file's name. */
export const plainName = (title: string | null): string =>
  wordsIn(title ?? '')
    .flatMap((word) => word.match(/[a-z0-9]+/g) ?? [])
    .join('-') || 'embed';
