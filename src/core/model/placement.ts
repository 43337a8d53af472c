import { z } from 'zod';

/** How many pages something may be placed in, and how long an address is at most, in UTF-16 code units. */
export const MOST_PLACED = 1000;
export const LONGEST_ADDRESS = 4000;

/** A page in which something was placed; `since` in milliseconds since the epoch. */
export const placementSchema = z.object({ address: z.url({ protocol: /^https?$/ }).max(LONGEST_ADDRESS), since: z.number() });
export type Placement = z.infer<typeof placementSchema>;
