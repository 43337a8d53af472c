import { z } from 'zod';
import type { HostCard } from '../core/known/hosts/card.ts';
import type { Facts } from '../core/model/item.ts';
import { parseRatio } from '../core/model/values.ts';

/** What of an oEmbed answer (oEmbed 1.0, section 2.3.4) is taken; everything else is left. */
const answer = z.looseObject({
  title: z.string().max(300).optional().catch(undefined),
  // Not of the standard, but many hosts give it.
  description: z.string().max(5000).optional().catch(undefined),
  author_name: z.string().max(200).optional().catch(undefined),
  thumbnail_url: z
    .url({ protocol: /^https?$/ })
    .max(4000)
    .optional()
    .catch(undefined),
  type: z.string().optional().catch(undefined),
  width: z.number().positive().optional().catch(undefined),
  height: z.number().positive().optional().catch(undefined),
});

const amount = z.number().positive().max(360_000);

/** Facts of an item from an oEmbed answer; whatever does not fit is left out. */
export function factsFrom(data: unknown, { duration, pages }: NonNullable<HostCard['oembed']>): Facts {
  const read = answer.safeParse(data);
  if (!read.success) return {};
  const { title, description, author_name: author, thumbnail_url: cover, type, width, height } = read.data;
  const field = (at: string | undefined): number | undefined =>
    at === undefined ? undefined : amount.safeParse(read.data[at]).data;
  const seconds = field(duration?.at);
  return {
    title,
    description,
    author,
    cover,
    duration: seconds === undefined ? undefined : duration?.unit === 'ms' ? seconds / 1000 : seconds,
    pages: field(pages?.at),
    ratio: type === 'video' && width && height ? parseRatio(simpleRatio(width, height)) : undefined,
  };
}

function simpleRatio(width: number, height: number): string {
  const divisor = greatestDivisor(Math.round(width), Math.round(height));
  return `${Math.round(width) / divisor}:${Math.round(height) / divisor}`;
}

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));
