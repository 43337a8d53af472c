import { namesMore, type Entry } from '../order.ts';
import { readChapters } from './chapters.ts';
import { readCues } from './cues.ts';

/** What was found of an entry. */
export type Words = Partial<Pick<Entry, 'chapters' | 'transcript'>>;

/** Asked at once: hosts are not to be flooded. */
const AT_ONCE = 3;

/**
 * Fetches the transcripts and chapters that are named and not there yet, by id of their entries; what does not answer, or is
 * of a kind that is not read, is left out.
 * @param text gives what stands at an address, null where nothing does
 */
export async function fetchWords(
  entries: readonly Entry[],
  text: (address: string) => Promise<string | null>,
): Promise<ReadonlyMap<string, Words>> {
  const found = new Map<string, Words>();
  const waiting = entries.filter(namesMore);
  const work = async (): Promise<void> => {
    for (let entry = waiting.shift(); entry; entry = waiting.shift()) {
      const words = await wordsOf(entry, text);
      if (words.chapters ?? words.transcript) found.set(entry.id, words);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return found;
}

async function wordsOf(entry: Entry, text: (address: string) => Promise<string | null>): Promise<Words> {
  const { transcriptAt, transcript, chaptersAt, chapters } = entry;
  const wanted = async (address: string | undefined, there: readonly unknown[]): Promise<string | null> =>
    address === undefined || there.length > 0 ? null : text(address);
  const [said, listed] = [await wanted(transcriptAt, transcript), await wanted(chaptersAt, chapters)];
  const cues = said === null ? null : await readCues(said);
  const read = listed === null ? null : readChapters(listed);
  return { ...(cues && { transcript: cues }), ...(read && { chapters: read }) };
}

/** The entries with what was found of them. */
export const withWords = (entries: readonly Entry[], found: ReadonlyMap<string, Words>): Entry[] =>
  entries.map((entry) => ({ ...entry, ...found.get(entry.id) }));
