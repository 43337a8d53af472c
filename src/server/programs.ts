import { z } from 'zod';
import { makeBatch } from '../core/many/batch/batch.ts';
import { rowOut } from '../core/many/batch/row.ts';
import type { HostBook } from '../core/known/hosts/book.ts';
import { isSettingId, properValue, SETTINGS, type SettingId, type Settings } from '../core/known/settings/list.ts';
import { styleSchema } from '../core/known/styles/style.ts';
import { siteSchema, type Site } from '../core/model/site.ts';
import type { SettingValue } from '../core/model/values.ts';
import { parseValue } from '../core/model/values.ts';
import { bringIn } from '../core/pipeline.ts';
import { FORMS, isCodeForm } from '../core/steps/write/forms/list.ts';
import { sayRow } from '../messages/batch.ts';
import { sayRefusal, sayWrongValue } from '../messages/en.ts';
import { checkedAsData, checkText } from '../programs/check.ts';
import { embedAnswer } from '../programs/embed.ts';
import { readAnswer } from '../programs/read.ts';

/** What a server knows that answers programs. */
export interface ProgramWorld {
  book: HostBook;
  sites: readonly Site[];
}

/** A question of a program that cannot be answered, with the field that is at fault. */
export class Unanswerable extends Error {
  readonly field: string;

  constructor(field: string, detail: string) {
    super(detail);
    this.field = field;
  }
}

/** One question that programs may ask: what it takes, and what is answered. */
export interface Operation<Body = never> {
  path: string;
  summary: string;
  body: z.ZodType<Body>;
  answer: (body: Body, world: ProgramWorld) => unknown;
}

const text = z.string().min(1).max(5_000_000).describe('Links or embed codes, or a whole page.');
const site = z
  .union([z.string().max(40), siteSchema])
  .nullable()
  .default(null)
  .describe('The site that the code is for: its id, where this server knows it, or the whole of it.');
const settings = z
  .record(z.string(), z.union([z.string().max(20_000), z.number()]))
  .default({})
  .describe(`What is asked for, by the ids of settings: ${SETTINGS.map(({ id }) => id).join(', ')}.`);

const define = <Body>(operation: Operation<Body>): Operation => operation as unknown as Operation;

/** All of them; the document that describes them is made of this list. */
export const OPERATIONS: readonly Operation[] = [
  define({
    path: '/read',
    summary: 'What a text holds: links and codes, and what each is',
    body: z.strictObject({ text }),
    answer: (asked, { book }) => readAnswer(asked.text, book),
  }),
  define({
    path: '/embed',
    summary: 'The code for the first link or code of a text',
    body: z.strictObject({
      text,
      settings,
      site,
      form: z.enum(FORMS.map(({ id }) => id)).default('responsive'),
      keepRunning: z.boolean().default(false).describe('Keeps code that runs in what was sent.'),
    }),
    answer: (asked, { book, sites }) => {
      const found = bringIn(asked.text, book);
      const chosen = found.find((one) => one.item);
      if (!chosen?.item) throw new Unanswerable('text', sayRefusal(found[0]!.refusal!));
      if (!isCodeForm(asked.form)) throw new Unanswerable('form', 'There is no such form of code.');
      return embedAnswer(chosen.item, settingsIn(asked.settings), {
        book,
        site: siteIn(asked.site, sites),
        form: asked.form,
        facts: {},
        running: asked.keepRunning ? 'keep' : null,
      });
    },
  }),
  define({
    path: '/check',
    summary: 'What would go wrong with each embed of a code or a page',
    body: z.strictObject({ text, site }),
    answer: (asked, { book, sites }) => checkText(asked.text, { book, site: siteIn(asked.site, sites) }).map(checkedAsData),
  }),
  define({
    path: '/batch',
    summary: 'The code for every link of a list, a table as CSV, or a feed',
    body: z.strictObject({
      text,
      site,
      style: styleSchema.nullable().default(null).describe('The house style of the site.'),
    }),
    answer: (asked, { book, sites }) => {
      const own = siteIn(asked.site, sites);
      const { made } = makeBatch(asked.text, 'row', {
        book,
        sites: own ? [own] : [],
        styles: own && asked.style ? { [own.id]: asked.style } : {},
        site: own?.id ?? '',
        forAll: {},
        today: new Date().toISOString().slice(0, 10),
      });
      return made.map((row) => {
        const { code, state, title, kind, host } = rowOut(row, []);
        return { state, code, title, kind, host, told: sayRow(row) };
      });
    },
  }),
];

function siteIn(asked: string | Site | null, sites: readonly Site[]): Site | null {
  if (asked === null || typeof asked !== 'string') return asked;
  const found = sites.find(({ id }) => id === asked);
  if (!found) throw new Unanswerable('site', `There is no site “${asked}”. There are ${sites.map(({ id }) => id).join(', ')}.`);
  return found;
}

function settingsIn(asked: Readonly<Record<string, string | number>>): Settings {
  const settings: { [Id in SettingId]?: SettingValue } = {};
  for (const [id, value] of Object.entries(asked)) {
    if (!isSettingId(id)) throw new Unanswerable('settings', `There is no setting called “${id}”.`);
    const proper = properValue(id, value) ?? parsed(id, value);
    if (proper === undefined) throw new Unanswerable('settings', sayWrongValue(id, String(value)));
    settings[id] = proper;
  }
  return settings;
}

/** As people write it, such as `1:12`. */
const parsed = (id: SettingId, value: string | number): SettingValue | undefined =>
  parseValue(SETTINGS.find((one) => one.id === id)!.value, String(value));
