import { z } from 'zod';

/** Why a page of a site was not read. */
export const CRAWL_LEFT = [
  'robots',
  'elsewhere',
  'endless',
  'status',
  'scheme',
  'credentials',
  'port',
  'privateAddress',
  'nameUnknown',
  'redirects',
  'tooSlow',
  'tooLarge',
  'wrongType',
  'noAnswer',
] as const;
export type CrawlLeft = (typeof CRAWL_LEFT)[number];

/** What is told of a site while it is read, one JSON text a line. */
export const crawlToldSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('page'), address: z.string(), text: z.string() }),
  z.strictObject({ kind: z.literal('left'), address: z.string(), why: z.enum(CRAWL_LEFT) }),
  /** Addresses that are known and not read yet. */
  z.strictObject({ kind: z.literal('waiting'), count: z.number() }),
  z.strictObject({ kind: z.literal('end'), why: z.enum(['done', 'most', 'time']) }),
]);
export type CrawlTold = z.infer<typeof crawlToldSchema>;

/** What an answer tells, line by line; a line that is none of these is left out. Aborting the fetch ends it. */
export async function* crawledLines(answer: AsyncIterable<string>): AsyncGenerator<CrawlTold, void> {
  let rest = '';
  for await (const piece of answer) {
    const lines = (rest + piece).split('\n');
    rest = lines.pop()!;
    for (const line of lines) {
      const told = crawlToldSchema.safeParse(parsed(line)).data;
      if (told) yield told;
    }
  }
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
}
