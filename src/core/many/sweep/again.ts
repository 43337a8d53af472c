import { z } from 'zod';
import { CHECKS } from '../../steps/check/checks/list.ts';
import type { SweptEmbed, SweptFile } from './found.ts';

/** A finding at its place, as it is told again: by file, item and check. */
const findingSchema = z.object({ file: z.string(), item: z.string(), code: z.string() });
export type FoundAt = z.infer<typeof findingSchema>;

/** Findings of one check at one item, with the files that have it. */
const gatheredSchema = z.object({ item: z.string(), code: z.string(), files: z.string() });
/** What parts them. */
const BETWEEN = '\0';

function gather(findings: readonly FoundAt[]): z.infer<typeof gatheredSchema>[] {
  const files = new Map<string, Map<string, string[]>>();
  for (const { file, item, code } of findings) {
    let byItem = files.get(code);
    if (!byItem) files.set(code, (byItem = new Map<string, string[]>()));
    const before = byItem.get(item);
    if (before) before.push(file);
    else byItem.set(item, [file]);
  }
  return [...files].flatMap(([code, byItem]) => [...byItem].map(([item, some]) => ({ item, code, files: some.join(BETWEEN) })));
}

/** Gathered ones, and those of earlier versions, which stand each for itself. */
const findingsSchema = z
  .array(z.union([gatheredSchema, findingSchema]))
  .transform((some) =>
    some.flatMap((one) =>
      'files' in one ? one.files.split(BETWEEN).map((file) => ({ file, item: one.item, code: one.code })) : [one],
    ),
  );

/** What is kept of a sweep, for the next one of the same site. */
export const keptSweepSchema = z.object({
  /** Milliseconds since the epoch. */
  at: z.number(),
  files: z.number(),
  embeds: z.number(),
  /** Whether hosts were asked for the frames, now or before. */
  asked: z.boolean().default(false),
  findings: findingsSchema,
  /** What was found once, and was put right since. */
  right: findingsSchema,
});
export type KeptSweep = z.infer<typeof keptSweepSchema>;

/** As it is written down: few long texts are kept and read at once, and many small objects are not. */
export const asKept = (kept: KeptSweep): z.input<typeof keptSweepSchema> => ({
  ...kept,
  findings: gather(kept.findings),
  right: gather(kept.right),
});

/** A sweep against the one before it. */
export interface Again {
  /** When that was, in milliseconds since the epoch. */
  at: number;
  /** Keys of findings that were never there, and of those that had been put right. */
  appeared: ReadonlySet<string>;
  cameBack: ReadonlySet<string>;
  putRight: readonly FoundAt[];
}

/** By what a finding is known again. */
export const foundKey = ({ file, item, code }: FoundAt): string => `${file}\n${item}\n${code}`;

/** Whether an embed has one of these findings. */
export const hasOne = ({ file, item, findings }: SweptEmbed, keys: ReadonlySet<string>): boolean =>
  findings.some(({ code }) => keys.has(foundKey({ file, item, code })));

const byKey = (findings: readonly FoundAt[]): Map<string, FoundAt> => new Map(findings.map((one) => [foundKey(one), one]));
const without = (some: ReadonlyMap<string, FoundAt>, others: ReadonlyMap<string, unknown>): FoundAt[] =>
  [...some].flatMap(([key, one]) => (others.has(key) ? [] : [one]));

/** Checks that can find nothing before a host was asked. */
const ASKING: ReadonlySet<string> = new Set(CHECKS.filter(({ asks }) => asks).map(({ id }) => id));

/** A sweep as it is now: what it holds, whether hosts were asked, and when, in milliseconds since the epoch. */
interface Now {
  swept: readonly SweptFile[];
  asked: boolean;
  at: number;
}

/**
 * What is found now against what was kept, and what is kept for the next time; `again` is null the first time. What only
 * hosts can tell is compared where they were asked both times, and is kept as it was where they were not asked now.
 */
export function sweptAgain({ swept, asked, at }: Now, before: KeptSweep | undefined): { again: Again | null; kept: KeptSweep } {
  const embeds = swept.flatMap((one) => one.embeds);
  const told = embeds.flatMap(({ file, item, findings }) => findings.map(({ code }) => ({ file, item, code })));
  const untold = asked ? [] : (before?.findings ?? []).filter(({ code }) => ASKING.has(code));
  const has = byKey([...told, ...untold]);
  const [had, right] = [byKey(before?.findings ?? []), byKey(before?.right ?? [])];
  const isOld = ({ code }: FoundAt): boolean => !ASKING.has(code) || (before?.asked ?? false);
  const putRight = without(had, has);
  const kept = {
    at,
    asked: asked || (before?.asked ?? false),
    files: swept.length,
    embeds: embeds.length,
    findings: [...has.values()],
    right: [...without(right, has), ...putRight],
  };
  if (!before) return { again: null, kept };
  const others = [...has].flatMap(([key, one]) => (had.has(key) || !isOld(one) ? [] : [key]));
  return {
    again: {
      at: before.at,
      appeared: new Set(others.filter((key) => !right.has(key))),
      cameBack: new Set(others.filter((key) => right.has(key))),
      putRight,
    },
    kept,
  };
}
