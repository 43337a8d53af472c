import mustache from 'mustache';
import { addressOf } from '../standIn.ts';
import { readCardFiles } from '../world.ts';

/** As many pages as the sample site has, apart from its traps. */
export const PAGES = 240;

const PAGE = `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>{{title}}</title></head>
<body>
<nav><a href="/">Quillmarsh Tide Mill</a> <a href="/calendar/2027/1">Calendar</a> <a href="/ring/a">The round walk</a> <a href="/private/ledger">Ledger</a></nav>
<h1>{{title}}</h1>
<p>Twice a day the estuary fills the mill pond &amp; the sluice closes behind it.</p>
{{{code}}}
<p>{{#links}}<a href="{{.}}">{{.}}</a> {{/links}}</p>
</body>
</html>
`;
const SUBJECTS = ['High water', 'Low water', 'The ferry', 'Grinding day', 'The song of the mill'];

/** Where a page stands on the site. */
export const pathOf = (number: number): string => `/news/${number}`;

const frameOf = (address: string): string =>
  `<iframe src="${address.replaceAll('&', '&amp;')}" width="560" height="315"></iframe>`;

/** Codes as sites have them: frames of every host that has any, some with settings, few with a title. */
function codes(origin: string): string[] {
  return readCardFiles(origin).flatMap(({ text }) => {
    const { links } = JSON.parse(text) as { links: { framed?: boolean; examples: string[] }[] };
    return links
      .filter(({ framed }) => framed)
      .flatMap(({ examples }) => examples.slice(0, 1))
      .map(frameOf);
  });
}

const titleOf = (number: number): string => `${SUBJECTS[number % SUBJECTS.length]} ${number}`;

/** The code on a page, if it has one; what a few of them show was taken away since. */
function codeOn(number: number, some: readonly string[], origin: string): string {
  if (number % 4 === 0) return '';
  if (number % 60 === 7) return frameOf(`${addressOf('frames.lanternreel', origin)}/f/takenoff`);
  return some[number % some.length]!;
}

/** A file of the site as its editor exports it. */
export interface ExportedFile {
  name: string;
  text: string;
}

/** All pages of the site, each by its number. */
export function pagesOf(origin: string): readonly { number: number; title: string; code: string; html: string }[] {
  const some = codes(origin);
  return Array.from({ length: PAGES }, (_, i) => {
    const number = i + 1;
    const [title, code] = [titleOf(number), codeOn(number, some, origin)];
    const links = [number + 1, number + 7].filter((one) => one <= PAGES).map(pathOf);
    return { number, title, code, html: mustache.render(PAGE, { title, code, links }) };
  });
}

/** A page that is none of those: the home page, or one of the calendar. */
export const plainPage = (title: string, links: readonly string[]): string => mustache.render(PAGE, { title, code: '', links });

/** The site as Markdown, one note a page, with HTML in it. */
export const asMarkdown = (origin: string): ExportedFile[] =>
  pagesOf(origin).map(({ number, title, code }) => ({
    name: `notes/${number}.md`,
    text: `# ${title}\n\nTwice a day the estuary fills the mill pond.\n${code && `\n${code}\n`}`,
  }));

/** The site as one XML file: the content of odd pages in CDATA sections, that of even ones escaped (XML 1.0, section 2.7). */
export const asXml = (origin: string): ExportedFile => ({
  name: 'export.xml',
  text: `<?xml version="1.0" encoding="UTF-8"?>\n<site name="Quillmarsh Tide Mill">\n${pagesOf(origin)
    .map(({ number, title, html }) => {
      const content = number % 2 === 1 ? `<![CDATA[${html}]]>` : escapeXml(html);
      return `<page path="${pathOf(number)}"><title>${escapeXml(title)}</title><content>${content}</content></page>`;
    })
    .join('\n')}\n</site>\n`,
});

const escapeXml = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
