import { Parser } from 'htmlparser2';

/** Elements that stand on lines of their own, or end one. */
const BREAKS =
  /^(?:address|article|aside|blockquote|br|dd|div|dl|dt|figcaption|figure|footer|h[1-6]|header|hr|li|ol|p|pre|section|table|td|th|tr|ul)$/;
const UNSEEN = /^(?:script|style|template)$/;

/** The words that a reader of the markup would see, on one line: descriptions in feeds often are markup. */
export function wordsOfMarkup(markup: string): string {
  let words = '';
  let unseen = 0;
  const parser = new Parser({
    onopentag(name) {
      if (UNSEEN.test(name)) unseen++;
      if (BREAKS.test(name)) words += ' ';
    },
    ontext(text) {
      if (unseen === 0) words += text;
    },
    onclosetag(name) {
      if (UNSEEN.test(name)) unseen--;
      if (BREAKS.test(name)) words += ' ';
    },
  });
  parser.end(markup);
  return words.replace(/\s+/g, ' ').trim();
}
