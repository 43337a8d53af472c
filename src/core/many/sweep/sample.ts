import type { HostBook } from '../../known/hosts/book.ts';
import type { HostCard } from '../../known/hosts/card.ts';
import { bringIn, makeEmbed } from '../../pipeline.ts';

const WORDS = [
  ['High water', 'Twice a day the estuary fills the mill pond, and the sluice closes behind it.'],
  ['Low water', 'The path over the saltings is dry for two hours, and wet for ten.'],
  ['At the ferry', 'The bell rings when the boat leaves, and once more when nobody came.'],
] as const;

/** A small made-up site to try a sweep on: pages, Markdown, an export and a table with an embed of each host, as sites have them. */
export function sampleSite(book: HostBook, cards: readonly HostCard[]): { name: string; text: string }[] {
  const codes = cards.flatMap(({ links }) => {
    const link = links.find(({ framed, refused }) => !framed && !refused)?.examples[0];
    const item = link === undefined ? undefined : bringIn(link, book)[0]?.item;
    if (!item?.frame) return [];
    const { text } = makeEmbed(
      item,
      { autoplay: 'on', width: 560, widthMode: 'fixed' },
      { book, site: null, form: 'fixed', facts: {} },
    ).code;
    return [text.replace(/ title="[^"]*"/, '')];
  });
  return codes.map((code, i) => {
    const [heading, words] = WORDS[i % WORDS.length]!;
    const html = `<h2>${heading}</h2>\n<p>${words}</p>\n${code}\n`;
    const number = String(i + 1).padStart(2, '0');
    switch (i % 5) {
      case 1:
        return { name: `notes/${number}.md`, text: `# ${heading}\n\n${words}\n\n${code}\n` };
      case 2:
        return {
          name: `export/${number}.xml`,
          text: `<?xml version="1.0"?>\n<export><page><![CDATA[${html}]]></page></export>\n`,
        };
      case 3:
        return { name: `data/${number}.json`, text: `${JSON.stringify({ heading, body: html }, null, 2)}\n` };
      default:
        return {
          name: `pages/${number}.html`,
          text: `<!doctype html>\n<html lang="en">\n<head><title>${heading}</title></head>\n<body>\n${html}</body>\n</html>\n`,
        };
    }
  });
}
