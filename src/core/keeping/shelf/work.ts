import { z } from 'zod';
import { AS_IT_STANDS } from '../../model/code.ts';
import type { Facts } from '../../model/item.ts';
import type { SettingsFix } from '../../model/plan.ts';
import type { RunningChoice } from '../../model/running.ts';
import type { SettingValue } from '../../model/values.ts';
import { isSettingId, properValue, type SettingId, type Settings } from '../../known/settings/list.ts';
import { isCodeForm, type CodeFormId, USUAL_FORM } from '../../steps/write/forms/list.ts';

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
  /** What was decided about code that runs in what was pasted; null until then. */
  running: RunningChoice;
  /** The house style as it was when this was made, so that a later change of it changes nothing unasked; null until then. */
  style: Settings | null;
  /** The day from which the public may see the item (`2027-01-11`); null where it is out. */
  out: string | null;
  /** The day on which the page with it goes out. */
  pageOut: string | null;
}

/** Settings from outside: names that are none are left, and a value that its setting does not take is told with its place. */
const settingsOf = <Schema extends z.ZodType<SettingValue | null>>(value: Schema) =>
  z.record(z.string(), value).transform((record, context) => {
    const proper: [SettingId, z.output<Schema>][] = [];
    for (const [id, given] of Object.entries(record)) {
      if (!isSettingId(id)) continue;
      const taken = given === null ? null : properValue(id, given);
      if (taken === undefined) context.addIssue({ code: 'custom', path: [id], message: `"${id}" does not take this value` });
      else proper.push([id, taken as z.output<Schema>]);
    }
    return Object.fromEntries(proper);
  });
const value = z.union([z.string(), z.number()]);

export const workSchema = z.object({
  id: z.string().min(1).max(60),
  text: z.string(),
  code: z.string().nullable().default(null),
  choice: z.number().int().min(0),
  changes: settingsOf(value.nullable()),
  form: z.string().transform((id): WorkForm => (isCodeForm(id) || id === AS_IT_STANDS ? id : USUAL_FORM)),
  site: z.string(),
  running: z.enum(['keep', 'leave']).nullable().default(null),
  style: settingsOf(value)
    .nullable()
    // What was kept before there were house styles holds to none.
    .default({}),
  out: z.iso.date().nullable().default(null),
  pageOut: z.iso.date().nullable().default(null),
});

/** Work that nobody has begun: no text, no settings, the usual form. */
export const emptyWork = (site: string, id: string): Work => ({
  id,
  text: '',
  code: null,
  choice: 0,
  changes: {},
  form: USUAL_FORM,
  site,
  running: null,
  style: null,
  out: null,
  pageOut: null,
});

/** What holds in the end: what is usual for item and site, what the link or code asks for, and the changes laid over both. */
export function settingsWith(asked: Settings, changes: SettingsFix, usual: Settings = {}): Settings {
  const laid = { ...usual, ...asked, ...changes };
  return Object.fromEntries(Object.entries(laid).filter(([, value]) => value !== null));
}

/** The dates of a work, as far as they still lie ahead; `today` is `2026-11-23`. */
export const datesAhead = ({ out, pageOut }: Pick<Work, 'out' | 'pageOut'>, today: string): Pick<Facts, 'out' | 'pageOut'> =>
  out !== null && out > today ? { out, ...(pageOut !== null && { pageOut }) } : {};
