import type { Cue } from '../order.ts';

/** Lines that stand together: nobody reads a page without breaks. */
const IN_PARAGRAPH = 12;

/** Lines of a transcript as paragraphs, a new one for each who speaks. */
export function paragraphsOf(transcript: readonly Cue[]): { who: string | undefined; cues: Cue[] }[] {
  const paragraphs: { who: string | undefined; cues: Cue[] }[] = [];
  for (const cue of transcript) {
    const last = paragraphs.at(-1);
    if (last && last.cues.length < IN_PARAGRAPH && last.who === cue.who) last.cues.push(cue);
    else paragraphs.push({ who: cue.who, cues: [cue] });
  }
  return paragraphs;
}
