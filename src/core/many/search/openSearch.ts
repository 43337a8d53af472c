import { XMLParser } from 'fast-xml-parser';
import { z } from 'zod';
import { readJson } from '../../model/json.ts';
import { feedEntries } from '../batch/feed.ts';

/** Where a host is asked, and in what it answers (OpenSearch 1.1, section 4.2.4). */
export interface SearchUrl {
  template: string;
  type: (typeof TYPES)[number];
}

/** In the order in which they are liked: feeds tell more than suggestions do. */
const TYPES = ['application/rss+xml', 'application/atom+xml', 'application/x-suggestions+json'] as const;

const url = z.looseObject({
  '@type': z.string(),
  '@template': z.string().max(2000),
  '@method': z.string().optional(),
});
const description = z.looseObject({
  OpenSearchDescription: z.looseObject({ Url: z.preprocess((v: unknown) => [v].flat(), z.array(z.unknown()).max(50)) }),
});

/** What of a description can be asked; null where it is none, or answers in nothing that can be read. */
export function readDescription(xml: string): SearchUrl | null {
  let data: unknown;
  try {
    data = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@', htmlEntities: true }).parse(xml);
  } catch {
    return null;
  }
  const all = description.safeParse(data).data?.OpenSearchDescription.Url ?? [];
  const urls = all
    .flatMap((one) => url.safeParse(one).data ?? [])
    .filter((one) => (one['@method'] ?? 'get').toLowerCase() === 'get');
  for (const type of TYPES) {
    const found = urls.find((one) => one['@type'].toLowerCase() === type);
    if (found) return { template: found['@template'], type };
  }
  return null;
}

/** What a template is filled with besides the words (OpenSearch 1.1, section 5.3). */
const VALUES: ReadonlyMap<string, string> = new Map([
  ['count', '20'],
  ['startIndex', '1'],
  ['startPage', '1'],
  ['language', '*'],
  ['inputEncoding', 'UTF-8'],
  ['outputEncoding', 'UTF-8'],
]);

/** Half of a pair of UTF-16, which no address can hold. */
const HALF_SIGN = /\p{Surrogate}/gu;

/** The address that asks for the words; null where it wants something that nobody here knows. */
export function searchAddress(template: string, words: string): string | null {
  let unknown = false;
  const filled = template.replace(/\{([^{}?]*)(\?)?\}/g, (_, name: string, optional?: string) => {
    if (name === 'searchTerms') return encodeURIComponent(words.replace(HALF_SIGN, '\uFFFD'));
    const value = VALUES.get(name);
    if (value === undefined && !optional) unknown = true;
    return encodeURIComponent(value ?? '');
  });
  return unknown ? null : filled;
}

/** Something that was found: a link, and what is told of it. */
export interface SearchResult {
  link: string;
  title: string;
  /** Seconds. */
  duration?: number | undefined;
  /** `2027-01-11`. */
  date?: string | undefined;
  /** Address of a picture. */
  cover?: string | undefined;
}

const MOST = 30;
const suggestions = z.tuple([z.string(), z.array(z.string()), z.array(z.string()), z.array(z.string())]).rest(z.unknown());

/** What a host answered: RSS or Atom, or suggestions with their addresses (OpenSearch Suggestions 1.1). */
export function readResults(text: string, { type }: SearchUrl): SearchResult[] {
  const found = type === 'application/x-suggestions+json' ? fromSuggestions(text) : fromFeed(text);
  return found
    .filter(({ link, title }) => /^https?:\/\//i.test(link) && URL.canParse(link) && title.trim() !== '')
    .slice(0, MOST)
    .map((one) => ({ ...one, title: one.title.slice(0, 300) }));
}

function fromFeed(text: string): SearchResult[] {
  return (feedEntries(text) ?? []).map(({ link, title, day, seconds, cover }) => {
    const picture = cover !== undefined && /^https?:\/\//i.test(cover) && URL.canParse(cover) ? cover : undefined;
    return { link, title, duration: seconds, date: day === '' ? undefined : day, cover: picture };
  });
}

function fromSuggestions(text: string): SearchResult[] {
  const data = readJson(text);
  const read = 'value' in data ? suggestions.safeParse(data.value).data : undefined;
  if (!read) return [];
  const [, titles, , links] = read;
  return titles.map((title, i) => ({ title, link: links[i] ?? '' }));
}
