import { z } from 'zod';

type Older = Readonly<Record<string, unknown>>;

/** What makes a bundle of one version a bundle of the next, by the older version. */
const STEPS: Readonly<Record<number, (older: Older) => Older>> = {
  // The first had no preferences; nothing else of it is another.
  1: (older) => ({ ...older, version: 2, preferences: [] }),
  // The second held everything in one file, and no checksums.
  2: (older) => ({ ...older, version: 3 }),
  // The third had no examples of what cards were learnt from.
  3: (older) => ({ ...older, version: 4, lessons: [] }),
  // The fourth had no running orders.
  4: (older) => ({ ...older, version: 5, orders: [] }),
  // The fifth knew no searches among the preferences.
  5: (older) => ({ ...older, version: 6 }),
};

const versioned = z.looseObject({ version: z.number() });

/** The content of a bundle as version `wanted` has it; what has no version that is known comes back as it is. */
export function migrated(content: unknown, wanted: number): unknown {
  const read = versioned.safeParse(content).data;
  const step = read && read.version < wanted ? STEPS[read.version] : undefined;
  return step ? migrated(step(read!), wanted) : content;
}
