import { escapeHtml } from '../../model/markup/escape.ts';
import { showTime } from '../../model/time.ts';
import type { HostBook } from '../../known/hosts/book.ts';
import type { HouseStyle } from '../../known/styles/style.ts';
import type { Site } from '../../model/site.ts';
import { paragraphsOf } from '../cues/paragraphs.ts';
import type { Entry, Order } from '../order.ts';
import { playsOf, type Played, type Plays } from '../plays.ts';
import type { PageData } from './data.ts';
import { SCRIPT } from './script.ts';
import { styleOf, type PageColours } from './style.ts';
import { playerWords, type PlayerWords } from './words.ts';

/** The page that plays a running order, in the looks and the language of a site. */
export interface OrderPage {
  html: string;
  /** The same for a page of others, which cannot reach into it nor be reached by its style (DOM, section 4.8). */
  inline: string;
  /** How each entry is played, and what it cannot do, by its place. */
  played: readonly Played[];
}

/** What a page is made by; players follow the house style where there is one. */
export interface PageContext {
  book: HostBook;
  site: Site;
  style?: HouseStyle | undefined;
}

const RTL = /^(?:ar|fa|he|ur|yi|ps|sd|ug|dv)\b/i;
/** JSON within a script element: nothing in it can end the element (HTML, section 4.12.1.3). */
const inScript = (data: PageData): string =>
  JSON.stringify(data).replaceAll('<', '\\u003c').replaceAll('\u2028', '\\u2028').replaceAll('\u2029', '\\u2029');

/**
 * One file without dependencies: it asks for nothing before a visitor does, reads well without its script, and plays media
 * files itself and items of hosts in their frames.
 */
export function pageOf(order: Order, { book, site, style: houseStyle }: PageContext): OrderPage {
  const by = { book, style: houseStyle };
  const words = playerWords(site.language);
  const played = order.entries.map((entry) => playsOf(entry, by));
  const silent = order.autoplay ? order.entries.map((entry) => playsOf(entry, by, true)) : [];
  const data: PageData = {
    words,
    continuous: order.continuous,
    loop: order.loop,
    first: Math.min(order.first, Math.max(order.entries.length - 1, 0)),
    download: order.download,
    autoplay: order.autoplay,
    volume: order.volume,
    streamScript: order.streamScript,
    entries: order.entries.map(({ title, address, from, until }, i) => ({
      title: title || address,
      plays: played[i]!.plays,
      from,
      until,
      seeks: played[i]!.seeks,
      silent: frameOf(silent[i]),
    })),
  };
  const coloursOf = (of: Site['light']): PageColours => ({ ...of, accent: order.accent ?? of.text });
  const name = order.name || words.list;
  const style = styleOf(coloursOf(site.light), site.followsTheme ? coloursOf(site.dark) : null, familyOf(site));
  const day = dayWords(site.language);
  const main = [
    `<main class="${order.layout}"><h1>${coverOf(order)}${escapeHtml(name)}</h1>`,
    '<div class="stage" hidden></div>',
    `<div class="bar" hidden></div>`,
    `<ol aria-label="${escapeHtml(words.list)}">`,
    ...order.entries.map((entry, i) => listItem(entry, played[i]!.plays, { i, day })),
    '</ol>',
    ...order.entries.flatMap((entry, i) => (entry.transcript.length > 0 ? [transcriptOf(entry, i, words)] : [])),
    linksOf(order),
    `</main><script type="application/json" id="order">${inScript(data)}</script>`,
  ].join('\n');
  const language = `lang="${escapeHtml(site.language)}"${RTL.test(site.language) ? ' dir="rtl"' : ''}`;
  return {
    html: `<!doctype html>
<html ${language}>
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escapeHtml(name)}</title>
<style>${style}</style></head><body>
${main}<script>${SCRIPT}</script></body></html>
`,
    inline: `<div ${language}><template shadowrootmode="open"><style>${style}</style>
${main}</template></div><script>${SCRIPT}</script>
`,
    played: (order.autoplay ? silent : played).map((one) => (order.streamScript === undefined ? one : everywhere(one))),
  };
}

/** With a script for it, a stream plays in every browser. */
const everywhere = (played: Played): Played => ({
  ...played,
  notes: played.notes.filter((note) => note !== 'streamNotEverywhere'),
});

const frameOf = (played: Played | undefined): string | undefined => (played?.plays.by === 'frame' ? played.plays.src : undefined);

/** Signs that would end the style are no part of a typeface's name. */
const familyOf = ({ typeface }: Site): string => typeface.family.replace(/[^\w\s,'"-]/g, '');

/** A day as it is written in a language. */
function dayWords(language: string): (day: string) => string {
  const format = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeZone: 'UTC' });
  return (day) => (day === '' ? '' : format.format(new Date(`${day}T00:00:00Z`)));
}

function listItem(entry: Entry, plays: Plays, { i, day }: { i: number; day: (of: string) => string }): string {
  const length =
    entry.until !== undefined || entry.from !== undefined
      ? (entry.until ?? entry.seconds ?? 0) - (entry.from ?? 0)
      : entry.seconds;
  const told = [entry.author, day(entry.day), length !== undefined && length > 0 ? showTime(Math.round(length)) : ''].filter(
    (one) => one !== '',
  );
  const media =
    plays.by === 'audio' || plays.by === 'video'
      ? `<${plays.by} controls preload="none" src="${escapeHtml(plays.src)}" aria-label="${escapeHtml(entry.title || entry.address)}"></${plays.by}>`
      : '';
  return (
    `<li><a href="${escapeHtml(entry.page ?? entry.address)}" data-i="${i}">${escapeHtml(entry.title || entry.address)}` +
    `${told.length > 0 ? `<small>${escapeHtml(told.join(' · '))}</small>` : ''}</a>${media}${chaptersOf(entry, i)}</li>`
  );
}

const chaptersOf = ({ chapters }: Entry, i: number): string =>
  chapters.length === 0
    ? ''
    : `<ul>${chapters.map(({ at, title }) => `<li><a href="#t=${at}" data-i="${i}" data-t="${at}">${showTime(at)} ${escapeHtml(title)}</a></li>`).join('')}</ul>`;

/** The transcript as text: each stretch a place to jump to, a paragraph for each who speaks. */
function transcriptOf({ title, transcript }: Entry, i: number, words: PlayerWords): string {
  const text = paragraphsOf(transcript).map(
    ({ who, cues }) =>
      `<p>${who === undefined ? '' : `<b>${escapeHtml(who)}</b>`}${cues
        .map(({ from, until, text: said }) => `<a href="#t=${from}" data-t="${from}" data-u="${until}">${escapeHtml(said)}</a>`)
        .join(' ')}</p>`,
  );
  return `<details class="transcript" data-i="${i}" open><summary>${escapeHtml(words.transcript)}: ${escapeHtml(title)}</summary><div class="said" tabindex="0" role="region" aria-label="${escapeHtml(words.transcript)}: ${escapeHtml(title)}">${text.join('')}</div></details>`;
}

/** It stands in the page itself, so that nobody is asked for it. */
const coverOf = ({ cover }: Order): string => (cover === undefined ? '' : `<img src="${escapeHtml(cover)}" alt="">`);

const linksOf = ({ links }: Order): string =>
  links.length === 0
    ? ''
    : `<p class="links">${links.map(({ words, address }) => `<a href="${escapeHtml(address)}" target="_top">${escapeHtml(words)}</a>`).join(' · ')}</p>`;
