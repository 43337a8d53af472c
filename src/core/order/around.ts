import { escapeHtml } from '../model/markup/escape.ts';
import { isoTime } from '../model/time.ts';
import type { Site } from '../model/site.ts';
import type { HostBook } from '../known/hosts/book.ts';
import { paragraphsOf } from './cues/paragraphs.ts';
import type { Entry, Order } from './order.ts';
import { playerWords } from './page/words.ts';
import { playsOf } from './plays.ts';

/** What of an entry schema.org has a word for. */
type Known = Record<string, unknown>;
const withoutEmpty = (known: Known): Known =>
  Object.fromEntries(Object.entries(known).filter(([, value]) => value !== undefined && value !== ''));

/** A moment of an entry as an address (Media Fragments URI 1.0, section 4.2.1). */
const momentOf = (entry: Entry, at: number): string => `${(entry.page ?? entry.address).replace(/#.*/s, '')}#t=${at}`;

function described(entry: Entry, book: HostBook): Known {
  const { plays } = playsOf(entry, { book });
  const { seconds, from = 0, until } = entry;
  const media = plays.by === 'audio' || plays.by === 'video';
  return withoutEmpty({
    '@type': plays.by === 'audio' ? 'AudioObject' : plays.by === 'link' ? 'CreativeWork' : 'VideoObject',
    name: entry.title,
    description: entry.words,
    author: entry.author === '' ? undefined : { '@type': 'Person', name: entry.author },
    uploadDate: entry.day,
    duration: seconds === undefined ? undefined : isoTime(Math.round(seconds)),
    url: entry.page ?? entry.address,
    [media ? 'contentUrl' : 'embedUrl']: media ? entry.address : plays.by === 'frame' ? plays.src : undefined,
    startOffset: from > 0 ? from : undefined,
    endOffset: until,
    transcript: entry.transcript.map(({ text }) => text).join(' '),
    hasPart:
      entry.chapters.length === 0
        ? undefined
        : entry.chapters.map(({ at, title }, i) =>
            withoutEmpty({
              '@type': 'Clip',
              name: title,
              startOffset: at,
              endOffset: entry.chapters[i + 1]?.at ?? seconds,
              url: momentOf(entry, at),
            }),
          ),
  });
}

/** A running order in the words of schema.org, as JSON-LD 1.1: a podcast where it has a feed, otherwise a list. */
export function describeOrder(order: Order, { book, site }: { book: HostBook; site: Site }): Known {
  const entries = order.entries.map((entry) => described(entry, book));
  const whole = {
    '@context': 'https://schema.org',
    name: order.name,
    description: order.words,
    inLanguage: site.language,
  };
  return order.feed === undefined
    ? withoutEmpty({
        ...whole,
        '@type': 'ItemList',
        numberOfItems: entries.length,
        itemListElement: entries.map((item, i) => ({ '@type': 'ListItem', position: i + 1, item })),
      })
    : withoutEmpty({
        ...whole,
        '@type': 'PodcastSeries',
        webFeed: order.feed,
        hasPart: entries.map((media, i) =>
          withoutEmpty({
            '@type': 'PodcastEpisode',
            name: media['name'],
            datePublished: media['uploadDate'],
            url: media['url'],
            associatedMedia: media,
            position: i + 1,
          }),
        ),
      });
}

/** In a script element no text may end it (HTML, section 4.12.1.3), so every `<` is escaped (RFC 8259, section 7). */
const json = (data: Known): string => JSON.stringify(data).replaceAll('<', '\\u003c');

/**
 * What stands around the code for those who do not see into frames, search engines among them: links to every entry, their
 * transcripts as text that unfolds, and the same as structured data.
 */
export function withText(code: string, order: Order, given: { book: HostBook; site: Site }): string {
  const words = playerWords(given.site.language);
  const items = order.entries.map(
    ({ title, address, page, words: about }) =>
      `<li><a href="${escapeHtml(page ?? address)}">${escapeHtml(title || address)}</a>${about === '' ? '' : `<p>${escapeHtml(about)}</p>`}</li>`,
  );
  const transcripts = order.entries.flatMap(({ title, address, transcript }) =>
    transcript.length === 0
      ? []
      : [
          `<h3>${escapeHtml(`${words.transcript}: ${title || address}`)}</h3>`,
          ...paragraphsOf(transcript).map(
            ({ who, cues }) =>
              `<p>${who === undefined ? '' : `<b>${escapeHtml(who)}</b> `}${escapeHtml(cues.map(({ text }) => text).join(' '))}</p>`,
          ),
        ],
  );
  return [
    code,
    `<details><summary>${escapeHtml(words.list)}</summary>`,
    `<ol>${items.join('')}</ol>`,
    ...transcripts,
    '</details>',
    `<script type="application/ld+json">${json(describeOrder(order, given))}</script>`,
  ].join('\n');
}
