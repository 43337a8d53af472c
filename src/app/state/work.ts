import { z } from 'zod';
import { AS_IT_STANDS } from '../../core/live/keep.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import { isSettingId, type Settings } from '../../core/settings/list.ts';
import { isCodeForm, type CodeFormId } from '../../core/write/forms/list.ts';

/** A form in which code is written anew, or the code in hand as it stands. */
export type WorkForm = CodeFormId | typeof AS_IT_STANDS;

/** One embed in the making: what was pasted, and what was changed. All that is saved and undone. */
export interface Work {
  id: string;
  text: string;
  /** Code that was written by hand, or taken over as it was pasted; it then stands for the text. */
  code: string | null;
  /** Which of several candidates in the text. */
  choice: number;
  /** Settings that the publisher touched; null takes back what the link or code asks for. */
  changes: SettingsFix;
  form: WorkForm;
  site: string;
}

export const workSchema = z.object({
  id: z.string().min(1).max(60),
  text: z.string(),
  code: z.string().nullable().default(null),
  choice: z.number().int().min(0),
  changes: z.record(z.string(), z.union([z.string(), z.number(), z.null()])).transform((changes) => {
    return Object.fromEntries(Object.entries(changes).filter(([id]) => isSettingId(id)));
  }),
  form: z.string().transform((id): WorkForm => (isCodeForm(id) || id === AS_IT_STANDS ? id : 'responsive')),
  site: z.string(),
});

/** What holds in the end: what is usual for item and site, what the link or code asks for, and the changes laid over both. */
export function settingsWith(asked: Settings, changes: SettingsFix, usual: Settings = {}): Settings {
  const laid = { ...usual, ...asked, ...changes };
  return Object.fromEntries(Object.entries(laid).filter(([, value]) => value !== null));
}
