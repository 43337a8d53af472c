import { escapeHtml } from './markup/escape.ts';

/** What stands on a cover: the page within the frame until a visitor asks for the player. */
export interface CoverPage {
  language: string;
  title: string;
  /** The address of the player once it was asked for. */
  href: string;
  /** Address of the picture, or the picture itself; null for a plain ground. */
  picture: string | null;
  words: string;
  /** What is loaded and from whom; null where the site says nothing of it. */
  consent: string | null;
  colours: { text: string; ground: string; accent: string };
}

const plain = (text: string): string =>
  text.replace(/&(amp|lt|gt|quot);/g, (_, name: string) => ({ amp: '&', lt: '<', gt: '>', quot: '"' })[name]!);

/** The pane ajar: a frame, and its leaf turned outwards. */
const AJAR =
  'b:before{content:"";display:inline-block;width:.7em;height:1em;margin-right:.7em;border:2px solid;border-left-width:5px;vertical-align:-.15em;transform:perspective(3em) rotateY(-38deg)}';

const styleOf = ({ text, ground, accent }: CoverPage['colours']): string =>
  `html,body,a{height:100%;margin:0}a{display:grid;place-items:center;position:relative;overflow:hidden;color:${text};background:${ground};font:600 16px/1.4 sans-serif;text-decoration:none;outline:1px solid;outline-offset:-1px}` +
  `img{position:absolute;width:100%;height:100%;object-fit:cover}b{position:relative;padding:10px 18px;background:${ground};border-bottom:4px solid ${accent}}${AJAR}` +
  `small{position:absolute;bottom:0;width:100%;box-sizing:border-box;padding:8px 14px;background:${ground};font:14px/1.4 sans-serif}a:focus-visible b{outline:3px solid ${accent};outline-offset:3px}`;

/** The page as the `srcdoc` of a frame (HTML, section 4.8.5): a link to the player, and nothing that runs. */
export function writeCoverPage({ language, title, href, picture, words, consent, colours }: CoverPage): string {
  const parts = [
    `<!doctype html><html lang="${escapeHtml(language)}"><title>${escapeHtml(title)}</title><style>${styleOf(colours)}</style>`,
    `<a href="${escapeHtml(href)}">`,
    picture === null ? '' : `<img src="${escapeHtml(picture)}" alt="">`,
    `<b>${escapeHtml(words)}</b>`,
    consent === null ? '' : `<small>${escapeHtml(consent)}</small>`,
    '</a></html>',
  ];
  return parts.join('');
}

const WRITTEN =
  /^<!doctype html><html lang="[^"<>]*"><title>[^<>]*<\/title><style>[^<]*<\/style><a href="[^"<>]*">(?:<img src="([^"<>]*)" alt="">)?<b>([^<>]*)<\/b>(?:<small>([^<>]*)<\/small>)?<\/a><\/html>$/;

/** What a cover of ours says; null for any other page. */
export function readCoverPage(page: string): Pick<CoverPage, 'picture' | 'words' | 'consent'> | null {
  const parts = WRITTEN.exec(page);
  if (!parts) return null;
  const [, picture, words, consent] = parts.map((part) => part && plain(part));
  return { picture: picture ?? null, words: words!, consent: consent ?? null };
}
