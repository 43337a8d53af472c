import { markupText } from '../core/many/batch/markupText.ts';
import type { Fetched } from './guard.ts';

/** The parameter of a media type (RFC 9110, section 8.3.2). */
const CHARSET = /;\s*charset\s*=\s*"?([\w.:-]+)/i;

/** An answer as text, in whichever encoding it came. */
export const answerText = ({ body, headers }: Pick<Fetched, 'body' | 'headers'>): string =>
  markupText(body, CHARSET.exec(String(headers['content-type'] ?? ''))?.[1]).text;
