import { z } from 'zod';
import { WHY_NOT } from '../../../messages/en.ts';

const answerSchema = z.object({ text: z.string(), address: z.string() });
const problemSchema = z.object({ code: z.string().optional() });

/** What stands at an address, asked for by the server; or why it could not be had, in words. */
export async function fetchFeed(url: string): Promise<{ text: string; address: string } | { why: string }> {
  try {
    const answer = await fetch('/api/feed', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ url }),
    });
    const data: unknown = await answer.json();
    if (answer.ok) return answerSchema.parse(data);
    const { code = 'noAnswer' } = problemSchema.parse(data);
    return { why: `It could not be fetched: ${WHY_NOT[code] ?? code}.` };
  } catch {
    return { why: 'The server of Refenestra does not answer. Save the feed as a file, and bring that in.' };
  }
}
