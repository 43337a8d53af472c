import { Tokenizer } from 'htmlparser2';
import type { Range } from '../candidate.ts';

const ignore = (): void => undefined;

/** The runs of text in a markup that stand in none of these elements. */
export function textsOutside(text: string, elements: ReadonlySet<string>): Range[] {
  const texts: Range[] = [];
  let within = 0;
  let name = '';
  const tokenizer = new Tokenizer(
    { decodeEntities: false },
    {
      onopentagname(from, to) {
        name = to - from < 20 ? text.slice(from, to).toLowerCase() : '';
        if (elements.has(name)) within++;
      },
      onclosetag(from, to) {
        if (within > 0 && elements.has(text.slice(from, to).toLowerCase())) within--;
      },
      ontext(from, to) {
        if (within > 0) return;
        const last = texts.at(-1);
        if (last && last[1] === from) texts[texts.length - 1] = [last[0], to];
        else texts.push([from, to]);
      },
      onattribdata: ignore,
      onattribentity: ignore,
      onattribend: ignore,
      onattribname: ignore,
      oncdata: ignore,
      oncomment: ignore,
      ondeclaration: ignore,
      onend: ignore,
      onopentagend: ignore,
      onprocessinginstruction: ignore,
      onselfclosingtag: ignore,
      ontextentity: ignore,
    },
  );
  tokenizer.write(text);
  tokenizer.end();
  return texts;
}
