import { z } from 'zod';
import { CHECKS } from '../../steps/check/checks/list.ts';

const checkId = z.string().refine((id) => CHECKS.some((one) => one.id === id), 'there is no check of this id');
const link = z.string().min(1).max(2000);

/** What a sweep changes. Each part is off unless it is named. */
export const rulesSchema = z.strictObject({
  version: z.literal(1),
  /** The house style of the site is laid over what the code says. */
  style: z.boolean().default(false),
  /** Checks whose findings are put right by their own remedy, where it needs nobody’s words. */
  putRight: z.array(checkId).max(200).default([]),
  /** Embeds without a title take that of the heading above them, or of the page. */
  titles: z.boolean().default(false),
  /** A cover before everything that loads from its host before anybody asked for it. */
  covers: z.boolean().default(false),
  /** Embeds that are gone become a link. */
  gone: z.boolean().default(false),
  /** Links of items that give way to others: from, to. */
  exchange: z.record(link, link).default({}),
});
export type Rules = z.infer<typeof rulesSchema>;

/** Nothing is changed. */
export const NO_RULES: Rules = rulesSchema.parse({ version: 1 });
