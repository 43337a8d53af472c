import { charsetIn, markupText } from '../core/many/batch/markupText.ts';
import type { Fetched } from './guard.ts';

/** An answer as text, in whichever encoding it came. */
export const answerText = ({ body, headers }: Pick<Fetched, 'body' | 'headers'>): string =>
  markupText(body, charsetIn(String(headers['content-type'] ?? ''))).text;
