import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { sentences } from '../scripts/sentences.ts';

export const OPEN = '⟦';
export const SHUT = '⟧';

/** What a sentence without values is in the made-up language. */
export const pseudo = (english: string): string => `${OPEN}${english}${SHUT}`;

/** A catalogue in which every sentence is longer by a third, and stands in brackets: what has none was never translated. */
function pseudoCatalogue(padded: boolean): string {
  const said = sentences(join(import.meta.dirname, '..')).map(({ english }) => [
    english,
    `${OPEN}${english}${padded ? ` ${'·'.repeat(Math.ceil(english.length / 3))}` : ''}${SHUT}`,
  ]);
  return `export const GERMAN = ${JSON.stringify(Object.fromEntries(said))}`;
}

/** The page speaks the made-up language: it is given in the place of the German catalogue. */
export async function speakPseudo(page: Page, padded = false): Promise<void> {
  await page.evaluateOnNewDocument(() => localStorage.setItem('language', 'de'));
  await page.setRequestInterception(true);
  page.on('request', (request) => {
    if (/\/assets\/german-[^/]*\.js$/.test(request.url()))
      void request.respond({ contentType: 'text/javascript', body: pseudoCatalogue(padded) });
    else void request.continue();
  });
}

/** What is read on the page outside all brackets: in text, in names and in titles. */
export const untranslated = (page: Page): Promise<string[]> =>
  page.evaluate(
    ([open, shut]) => {
      const strays = new Set<string>();
      const outside = (text: string, depth: number): [string, number] => {
        let left = '';
        for (const sign of text) {
          if (sign === open) depth++;
          else if (sign === shut) depth--;
          else if (depth === 0) left += sign;
        }
        return [left, depth];
      };
      const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      let depth = 0;
      while (texts.nextNode()) {
        const node = texts.currentNode as Text;
        const [left, after] = outside(node.data, depth);
        depth = after;
        const own = node.parentElement!.closest('code, pre, kbd, style, script, textarea, .cm-editor, [translate="no"]');
        if (!own && /\p{L}{2}/u.test(left)) strays.add(left.trim());
      }
      for (const element of document.body.querySelectorAll('*'))
        for (const name of ['aria-label', 'title', 'placeholder', 'alt', 'aria-description', 'aria-valuetext']) {
          const [left] = outside(element.getAttribute(name) ?? '', 0);
          if (!element.closest('.cm-editor, [translate="no"]') && /\p{L}{2}/u.test(left)) strays.add(`${name}: ${left.trim()}`);
        }
      return [...strays];
    },
    [OPEN, SHUT] as const,
  );
