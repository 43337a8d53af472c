import type { Code } from '../../model/code.ts';
import { formOf, isCodeForm } from '../../steps/write/forms/list.ts';
import { wordsIn } from '../../model/words.ts';

/** Code as it stands is HTML. */
const HTML = { ending: 'html', type: 'text/html' };

/** Name, content and type of the file for a code. */
export function fileOf(
  { form, text }: Pick<Code, 'form' | 'text'>,
  title: string | null,
): [name: string, text: string, type: string] {
  const { ending, type } = (isCodeForm(form) && formOf(form).file) || HTML;
  return [`${plainName(title)}.${ending}`, text, type];
}

/** Small letters and digits of a title, which every system takes as a file's name. */
export const plainName = (title: string | null): string =>
  wordsIn(title ?? '')
    .flatMap((word) => word.match(/[a-z0-9]+/g) ?? [])
    .join('-') || 'embed';
