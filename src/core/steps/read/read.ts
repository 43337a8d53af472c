import type { Candidate } from '../../model/candidate.ts';
import { moved, movedRunning } from '../../model/moved.ts';
import type { Running } from '../../model/running.ts';
import { readLinks, readPlainLink } from './links.ts';
import { readMarkdownLink } from './markdown.ts';
import { readMarkup } from './markup.ts';
import { mend, PAGE, type Mended } from './mend.ts';
import { attributeRuns, findExpressions, findRunning } from '../../model/markup/running.ts';
import { readShortcodes } from './shortcodes.ts';

/** The longest text that is read, in UTF-16 code units: a large web page, several times over. */
export const LONGEST_TEXT = 5_000_000;

/**
 * Step 1, `text → candidates`: everything in the text that may be an embed, in order, with its exact
 * range and what was put right. Never throws; linear in the length of the text.
 */
export function read(text: string): Candidate[] {
  if (text.length > LONGEST_TEXT) return [refused({ code: 'tooLong', most: LONGEST_TEXT })];
  const plain = readPlainLink(text);
  if (plain) return [plain];
  const found = CODE.test(text) ? readCode(text) : readLinks(text);
  if (found.length > 0) return found;
  return [refused(text.trim() === '' ? { code: 'emptyText' } : { code: 'nothingFound' })];
}

/** Without any of these there is nothing but links in a text. */
const CODE =
  /[<[\\]|&(?:(?:amp|#0*38|#x0*26);)*(?:lt|#0*60|#x0*3c);|[\u00ad\u200b\u200e\u200f\u202a-\u202e\u2060-\u2064\u2066-\u206f\ufeff]/i;

function readCode(text: string): Candidate[] {
  const alone = readMarkdownLink(text);
  if (alone) return [alone];
  const mended = mend(text);
  const found = withRunning(mended.text.includes('<') ? readMarkup(mended.text) : readShortcodes(mended.text), mended);
  if (mended.repairs.length === 0) return found;
  const runningThere = new Map<readonly Running[], readonly Running[]>();
  return found.map(({ running, ...candidate }) => {
    const moved = replaced(candidate, mended);
    if (!running) return moved;
    const there = runningThere.get(running) ?? movedRunning(running, mended.origin);
    runningThere.set(running, there);
    return { ...moved, running: there };
  });
}

const NONE: readonly Running[] = [];

/** The candidates with what runs in them, and around them. */
function withRunning(found: Candidate[], { text, braced, repairs }: Mended): Candidate[] {
  const jsx = repairs.some(({ code }) => code === 'jsx') ? findExpressions(braced) : [];
  const page = PAGE.test(text);
  const around = page ? [] : [...findRunning(text), ...jsx];
  return found.map((candidate) => {
    const own = page ? runningWithin(candidate, text) : runningCode(candidate);
    // The same array for all of them: a copy for each would take quadratic memory.
    const running = own.length === 0 ? (page ? NONE : around) : [...(page ? NONE : around), ...own];
    return running.length === 0 ? candidate : { ...candidate, running };
  });
}

function runningWithin({ range: [from, to] }: Candidate, text: string): Running[] {
  return findRunning(text.slice(from, to)).map((one) => ({ ...one, range: [one.range[0] + from, one.range[1] + from] }));
}

/** A short code is no markup, but its attributes become some. */
function runningCode({ source, attributes }: Candidate): Running[] {
  if (source !== 'shortcode') return [];
  return attributes.flatMap((attribute) => {
    const kind = attributeRuns(attribute, 'iframe');
    return kind ? [{ kind, name: attribute.name, range: attribute.whole }] : [];
  });
}

/** The candidate with its ranges in the text that was brought in, and what had to be put right before it could be read. */
function replaced(candidate: Candidate, { origin, repairs }: Mended): Candidate {
  return { ...moved(candidate, origin), repairs: [...repairs, ...candidate.repairs] };
}

function refused(refusal: Candidate['refusal']): Candidate {
  return { range: [0, 0], source: 'link', address: null, addressRange: null, attributes: [], repairs: [], refusal };
}
