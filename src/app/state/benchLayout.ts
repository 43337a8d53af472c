import { z } from 'zod';

/** How wide the code may be, in CSS pixels. */
export const CODE_WIDTH = { least: 280, most: 720 } as const;

export const benchLayoutSchema = z.strictObject({
  /** Width of the code beside the page, in CSS pixels; null until somebody draws its edge. */
  code: z.int().min(CODE_WIDTH.least).max(CODE_WIDTH.most).nullable(),
  codeShown: z.boolean(),
  settingsShown: z.boolean(),
});

/** How the panes of the Bench are laid out. */
export type BenchLayout = z.infer<typeof benchLayoutSchema>;

export const USUAL_LAYOUT: BenchLayout = { code: null, codeShown: true, settingsShown: true };
