import { z } from 'zod';
import type { Access } from '../../known/hosts/access.ts';
import { framingRefusal, type FramingHeaders } from './framing.ts';

/** What a signed-out visitor of the site gets at a frame address, as data; the sentences are in the message file. */
export const reachedSchema = z.discriminatedUnion('code', [
  z.object({ code: z.literal('reachable') }),
  /** `date` as the host wrote it. */
  z.object({ code: z.literal('notYet'), date: z.string(), words: z.string() }),
  z.object({ code: z.enum(['notReleased', 'keyMissing', 'mustSignIn', 'closed']), words: z.string() }),
  z.object({ code: z.literal('refusesFraming'), by: z.string(), text: z.string(), site: z.string() }),
  z.object({ code: z.literal('httpOnly'), words: z.string() }),
  z.object({ code: z.literal('moved'), to: z.string() }),
  z.object({ code: z.literal('slow'), seconds: z.number() }),
  z.object({ code: z.enum(['gone', 'hostTrouble']), status: z.number() }),
  z.object({ code: z.literal('noAnswer'), why: z.string() }),
]);

export type Reached = z.infer<typeof reachedSchema>;

/** Whether the frame address was asked, and answered. */
export const answered = (reached: readonly Reached[] | undefined): boolean =>
  reached?.every(({ code }) => code !== 'noAnswer') ?? false;

/** One answer to the frame address, with all that it was led over. */
export interface Answer {
  status: number;
  /** The address asked, and the one that answered in the end. */
  asked: URL;
  final: URL;
  /** Whether every redirect on the way was a permanent one (RFC 9110, sections 15.4.2 and 15.4.9). */
  movedForGood: boolean;
  framing: FramingHeaders;
  retryAfter: string | null;
  /** Seconds until the answer began. */
  seconds: number;
}

/** Longer than this, in seconds, visitors look at an empty frame. */
const SLOW = 3;
const SIGN_IN = /\/(?:log-?in|sign-?in|auth)(?:[/?.]|$)/i;
const BY_NEED = { release: 'notReleased', key: 'keyMissing', signIn: 'mustSignIn', open: 'closed' } as const;

/** What the answer means for the site, most serious first; `access` are the conditions that the host's card tells. */
export function judge(answer: Answer, site: URL, access: readonly Access[]): Reached[] {
  const told = access.find(({ status }) => status === answer.status);
  const words = told ? `${told.words} ${told.remedy}` : '';
  const { status } = answer;
  if (status >= 400) return [judgeStatus(answer, told, words)];
  if (answer.final.href !== answer.asked.href && SIGN_IN.test(answer.final.pathname)) return [{ code: 'mustSignIn', words }];
  const found: Reached[] = [];
  const refusal = framingRefusal(answer.framing, answer.final, site);
  if (refusal) found.push({ code: 'refusesFraming', ...refusal, site: site.origin });
  if (answer.final.href !== answer.asked.href && answer.movedForGood) found.push({ code: 'moved', to: answer.final.href });
  if (answer.seconds > SLOW) found.push({ code: 'slow', seconds: Math.round(answer.seconds) });
  return found.length > 0 ? found : [{ code: 'reachable' }];
}

function judgeStatus({ status, retryAfter }: Answer, told: Access | undefined, words: string): Reached {
  // RFC 9110, section 10.2.3: a date, or a number of seconds, which is no date of publication.
  const date = retryAfter !== null && !/^\d+$/.test(retryAfter) ? retryAfter : null;
  if (date !== null && !Number.isNaN(Date.parse(date))) return { code: 'notYet', date, words };
  const code = told && told.needs in BY_NEED ? BY_NEED[told.needs as keyof typeof BY_NEED] : undefined;
  if (code) return { code, words };
  if (status === 401 || status === 407) return { code: 'mustSignIn', words };
  return status >= 500 ? { code: 'hostTrouble', status } : { code: 'gone', status };
}
