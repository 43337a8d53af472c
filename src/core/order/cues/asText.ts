import type { Cue } from '../order.ts';
import { paragraphsOf } from './paragraphs.ts';

/** A transcript as text: a paragraph for each who speaks, with who it is before it, and an empty line between them. */
export const asText = (cues: readonly Cue[]): string =>
  paragraphsOf(cues)
    .map(({ who, cues: own }) => `${who === undefined ? '' : `${who}: `}${own.map(({ text }) => text).join(' ')}`)
    .join('\n\n');
