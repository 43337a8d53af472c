import type { Candidate } from '../model/candidate.ts';
import { readLinks } from './links.ts';
import { readMarkup } from './markup.ts';

/** The longest text that is read, in UTF-16 code units: a large web page, several times over. */
export const LONGEST_TEXT = 5_000_000;

/**
 * Step 1, `text → candidates`: everything in the text that may be an embed, in order, with its exact
 * range and what was put right. Never throws; linear in the length of the text.
 */
export function read(text: string): Candidate[] {
  if (text.length > LONGEST_TEXT) return [refused({ code: 'tooLong', most: LONGEST_TEXT })];
  const found = text.includes('<') ? readMarkup(text) : readLinks(text);
  if (found.length > 0) return found;
  return [refused(text.trim() === '' ? { code: 'emptyText' } : { code: 'nothingFound' })];
}

function refused(refusal: Candidate['refusal']): Candidate {
  return { range: [0, 0], source: 'link', address: null, addressRange: null, attributes: [], repairs: [], refusal };
}
