import type { Chapter, Entry } from './order.ts';

/** A line that stands over what follows it: marked as in Markdown, numbered as a chapter or a part, or all in capitals. */
const MARKED = /^#{1,6}\s+(?<title>\S.*)$/;
const NUMBERED = /^(?:chapter|part|section|kapitel|teil|abschnitt)\s+(?:\d{1,3}|[ivxlc]{1,7})\b(?!.*[,;]$)/i;
const LONGEST_HEADING = 100;

/** The headings of a transcript as chapters: lines that stand over what follows them. */
export const headingsIn = (transcript: Entry['transcript']): Chapter[] =>
  transcript.flatMap(({ from, text }) => {
    const line = text.trim();
    if (line.length > LONGEST_HEADING) return [];
    const marked = MARKED.exec(line)?.groups?.title;
    const spoken = NUMBERED.test(line) || (/\p{Lu}{2}.*\s.*\p{Lu}{2}/u.test(line) && line === line.toUpperCase());
    return marked !== undefined ? [{ at: from, title: marked }] : spoken ? [{ at: from, title: line }] : [];
  });

/** An entry that its chapters make several of. */
export const hasParts = ({ chapters, from = 0, until = Infinity }: Entry): boolean =>
  chapters.filter(({ at }) => at > from && at < until).length > 0;

/**
 * Each chapter of an entry as an entry of its own, a clip from where it begins until the next begins. What stands before the
 * first chapter is one more; together they are as long as the entry was, and no moment is in two.
 */
export function intoChapters(entry: Entry): Entry[] {
  const { from = 0, until, chapters, transcript } = entry;
  const end = until ?? Infinity;
  const inside = chapters.filter(({ at }) => at > from && at < end).sort((a, b) => a.at - b.at);
  const begun = chapters.findLast(({ at }) => at <= from);
  const starts = [{ at: from, title: begun?.title ?? entry.title }, ...inside].filter(({ at }, i, all) => all[i + 1]?.at !== at);
  return starts.map(({ at, title }, i): Entry => {
    const next = starts[i + 1]?.at ?? until;
    return {
      ...entry,
      id: i === 0 ? entry.id : `${entry.id.slice(0, 380)} at ${at}`,
      title,
      from: at > 0 ? at : undefined,
      until: next,
      chapters: [],
      transcript: transcript.filter((cue) => cue.from < (next ?? Infinity) && cue.until > at),
    };
  });
}
