import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { z } from 'zod';
import { readJson, sameJson } from '../../model/json.ts';
import type { HostCard } from './card.ts';
import { loadCards } from './loadCards.ts';

/** More cards than any team keeps. */
const MOST = 500;

/** `refenestra-card-library/1`: cards that somebody keeps at an address; `docs/formats/card-library.md` tells it as a story. */
export const librarySchema = z.strictObject({
  $schema: z.string().optional(),
  format: z.literal('refenestra-card-library/1'),
  name: z.string().min(1).max(80),
  cards: z
    .array(
      z.strictObject({
        id: z.string().regex(/^[A-Za-z][A-Za-z0-9_-]{0,39}$/),
        version: z.number().int().positive().describe('Grows with each change'),
        sha256: z
          .string()
          .regex(/^[0-9a-f]{64}$/, '64 small hexadecimal digits')
          .describe('Of the file of the card'),
        at: z.string().min(1).max(400).describe('Where the card is: an address, or a path from that of the list'),
      }),
    )
    .max(MOST),
});
export type Library = z.infer<typeof librarySchema>;
export type LibraryEntry = Library['cards'][number];

/** Why a list is no library that can be used. */
export type LibraryRefusal = { code: 'noJson' | 'newer' } | { code: 'broken'; place: string; why: string };

const named = z.looseObject({ format: z.string().regex(/^refenestra-card-library\/\d+$/) });

/** Reads the list of a library of cards; or says why it is none, with the place. */
export function readLibrary(text: string): { library: Library } | { refusal: LibraryRefusal } {
  const data = readJson(text);
  if ('wrong' in data) return { refusal: { code: 'noJson' } };
  const read = librarySchema.safeParse(data.value);
  if (read.success) {
    const twice = read.data.cards.find(({ id }, i, all) => all.findIndex((one) => one.id === id) !== i);
    return twice ? { refusal: { code: 'broken', place: 'cards', why: `"${twice.id}" is in it twice` } } : { library: read.data };
  }
  const format = named.safeParse(data.value).data?.format;
  if (format !== undefined && format !== librarySchema.shape.format.value) return { refusal: { code: 'newer' } };
  const [issue] = read.error.issues;
  return { refusal: { code: 'broken', place: issue!.path.join('.'), why: issue!.message } };
}

/** A card of a library as it was taken in, to tell whether somebody has changed it by hand since. */
export interface TakenCard {
  id: string;
  version: number;
  card: HostCard;
}

/** Why a card of a library cannot be taken: it is not the one whose checksum the list gives, or it is no card. */
export type CardRefusal =
  { code: 'notThere'; why: string } | { code: 'changed' } | { code: 'otherId' } | { code: 'broken'; place: string; why: string };

/** What taking a card would do. `mine`: the card here was made or changed by hand, and would be replaced. */
export type LibraryStep = { id: string; version: number } & (
  | { what: 'refused'; refusal: CardRefusal }
  | { what: 'new' | 'same'; card: HostCard }
  | { what: 'newer' | 'older' | 'mine'; card: HostCard; changes: readonly CardChange[] }
);

/** The file of a card: its text, or why it is not there. */
export type CardFile = { text: string } | { why: string };

/** What taking a library in would do, card by card: nothing is taken yet. */
export function planLibrary(
  { cards }: Library,
  files: ReadonlyMap<string, CardFile>,
  here: { own: readonly HostCard[]; taken: readonly TakenCard[] },
): LibraryStep[] {
  return cards.map((entry): LibraryStep => {
    const { id, version } = entry;
    const read = readCard(entry, files.get(id) ?? { why: 'noAnswer' });
    if ('refusal' in read) return { id, version, what: 'refused', refusal: read.refusal };
    const { card } = read;
    const mine = here.own.find((one) => one.id === id);
    if (!mine) return { id, version, what: 'new', card };
    if (sameJson(mine, card)) return { id, version, what: 'same', card };
    const before = here.taken.find((one) => one.id === id);
    const changes = cardChanges(mine, card);
    const untouched = before !== undefined && sameJson(before.card, mine);
    return { id, version, what: !untouched ? 'mine' : version < before.version ? 'older' : 'newer', card, changes };
  });
}

function readCard({ id, sha256: wanted }: LibraryEntry, file: CardFile): { card: HostCard } | { refusal: CardRefusal } {
  if ('why' in file) return { refusal: { code: 'notThere', why: file.why } };
  if (checksum(file.text) !== wanted) return { refusal: { code: 'changed' } };
  const { cards, problems } = loadCards([{ name: id, text: file.text }]);
  const [card] = cards;
  if (!card) return { refusal: { code: 'broken', place: problems[0]?.place ?? '', why: problems[0]?.message ?? 'no card' } };
  return card.id === id ? { card } : { refusal: { code: 'otherId' } };
}

/** SHA-256 of a text (FIPS 180-4) in UTF-8, in hexadecimal digits. */
export const checksum = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** What one card says that another does not: a JSON Pointer (RFC 6901) to a part that somebody would speak of. */
export interface CardChange {
  at: string;
  what: 'added' | 'removed' | 'changed';
}

const LISTED = ['origins', 'identifiers', 'targets', 'settings', 'packs'] as const;
const WHOLE = ['name', 'tracking', 'oembed', 'search', 'player'] as const;

/** The differences between two cards, as places (RFC 6901) with what stood there and what stands there now. */
export function cardChanges(before: HostCard, after: HostCard): CardChange[] {
  const parts = (card: HostCard): Map<string, unknown> =>
    new Map<string, unknown>([
      ...WHOLE.flatMap((part) => (card[part] === undefined ? [] : [[`/${part}`, card[part]] as const])),
      ...LISTED.flatMap((part) => Object.entries(card[part]).map(([key, value]) => [`/${part}/${key}`, value] as const)),
      ...card.links.map((link) => [`/links/${link.id}`, link] as const),
    ]);
  const [old, now] = [parts(before), parts(after)];
  return [...new Set([...old.keys(), ...now.keys()])].flatMap((at): CardChange[] => {
    if (!old.has(at)) return [{ at, what: 'added' }];
    if (!now.has(at)) return [{ at, what: 'removed' }];
    return sameJson(old.get(at), now.get(at)) ? [] : [{ at, what: 'changed' }];
  });
}
