import { z } from 'zod';
import { cardSchema } from '../core/known/hosts/card.ts';
import { sweepBytes, writeChanges } from '../core/many/sweep/bytes.ts';
import type { SweptFile } from '../core/many/sweep/found.ts';
import { reportOf } from '../core/many/sweep/report.ts';
import { NO_RULES, rulesSchema } from '../core/many/sweep/rules.ts';
import { examplesSchema } from '../core/teach/examples.ts';
import { learn } from '../core/teach/learn.ts';
import { sayFact, sayQuestion, sayUnexplained } from '../messages/teach.ts';
import type { Known } from './known.ts';
import { makeBatch } from '../core/many/batch/batch.ts';
import { rowOut } from '../core/many/batch/row.ts';
import { isSettingId, properValue, SETTINGS, type SettingId, type Settings } from '../core/known/settings/list.ts';
import { styleFor, styleSchema, type HouseStyle } from '../core/known/styles/style.ts';
import { siteSchema, type Site } from '../core/model/site.ts';
import type { SettingValue } from '../core/model/values.ts';
import { parseValue } from '../core/model/values.ts';
import { bringIn } from '../core/pipeline.ts';
import { FORMS, isCodeForm } from '../core/steps/write/forms/list.ts';
import { sayRow } from '../messages/batch.ts';
import { sayRefusal } from '../messages/reading.ts';
import { sayWrongValue } from '../messages/settings.ts';
import { checkedAsData, checkText } from '../programs/check.ts';
import { embedAnswer } from '../programs/embed.ts';
import { readAnswer } from '../programs/read.ts';

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
  /** A body to begin with, for a link. */
  example: (link: string) => object;
  answer: (body: Body, known: Known) => unknown;
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

const houseStyle = styleSchema
  .nullable()
  .default(null)
  .describe('The house style of the site, where it is not that of the team.');

const define = <Body>(operation: Operation<Body>): Operation => operation as unknown as Operation;

const today = (): string => new Date().toISOString().slice(0, 10);

/** All of them; the document that describes them is made of this list. */
export const OPERATIONS: readonly Operation[] = [
  define({
    path: '/read',
    summary: 'What a text holds: links and codes, and what each is',
    body: z.strictObject({ text }),
    example: (link) => ({ text: link }),
    answer: (asked, { book }) => readAnswer(asked.text, book),
  }),
  define({
    path: '/embed',
    summary: 'The code for the first link or code of a text',
    body: z.strictObject({
      text,
      settings,
      site,
      style: houseStyle,
      form: z.enum(FORMS.map(({ id }) => id)).default('responsive'),
      keepRunning: z.boolean().default(false).describe('Keeps code that runs in what was sent.'),
    }),
    example: (link) => ({ text: link, settings: { title: 'What it is' }, form: 'responsive' }),
    answer: (asked, { book, sites, team }) => {
      const found = bringIn(asked.text, book);
      const chosen = found.find((one) => one.item);
      if (!chosen?.item) throw new Unanswerable('text', sayRefusal(found[0]!.refusal!));
      if (!isCodeForm(asked.form)) throw new Unanswerable('form', 'There is no such form of code.');
      const site = siteIn(asked.site, sites);
      const style = styleFor(styleIn(asked.style, site, team.styles), chosen.item.kind);
      return embedAnswer(
        chosen.item,
        { ...style, ...settingsIn(asked.settings) },
        {
          book,
          site,
          form: asked.form,
          facts: {},
          running: asked.keepRunning ? 'keep' : null,
        },
      );
    },
  }),
  define({
    path: '/check',
    summary: 'What would go wrong with each embed of a code or a page',
    body: z.strictObject({ text, site }),
    example: (link) => ({ text: `<iframe src="${link}" width="640" height="360"></iframe>` }),
    answer: (asked, { book, sites }) => checkText(asked.text, { book, site: siteIn(asked.site, sites) }).map(checkedAsData),
  }),
  define({
    path: '/batch',
    summary: 'The code for every link of a list, a table as CSV, or a feed',
    body: z.strictObject({
      text,
      site,
      style: houseStyle,
    }),
    example: (link) => ({ text: `link,title\n${link},What it is` }),
    answer: (asked, { book, sites, team }) => {
      const own = siteIn(asked.site, sites);
      const style = styleIn(asked.style, own, team.styles);
      const { made } = makeBatch(asked.text, 'row', {
        book,
        sites: own ? [own] : [],
        styles: own && style ? { [own.id]: style } : {},
        site: own?.id ?? '',
        forAll: {},
        today: today(),
      });
      return made.map((row) => {
        const { code, state, title, kind, host } = rowOut(row, []);
        return { state, code, title, kind, host, told: sayRow(row) };
      });
    },
  }),
  define({
    path: '/teach',
    summary: 'A host card, worked out from examples of links and codes',
    body: examplesSchema.extend({ card: cardSchema.optional().describe('An earlier card, whose host has changed.') }),
    example: () => ({
      format: 'refenestra-examples/1',
      name: 'A host',
      examples: [1, 2].map((n) => ({
        link: `https://media.example/see/k${n}a44`,
        code: `<iframe src="https://play.media.example/p/k${n}a44"></iframe>`,
      })),
    }),
    answer: ({ examples, name, card: before }) => {
      const { card, facts, questions, unexplained } = learn(examples, { name, before, today: today() });
      return {
        card,
        facts: facts.map((fact) => sayFact(fact)),
        unexplained: unexplained.map((one) => sayUnexplained(one)),
        questions: questions.map((question) => sayQuestion(question)),
      };
    },
  }),
  define({
    path: '/sweep',
    summary: 'Every embed of some files: found, judged, and put right as a patch',
    body: z.strictObject({
      files: z
        .array(z.strictObject({ name: z.string().min(1).max(400), text: z.string().max(5_000_000) }))
        .min(1)
        .max(500)
        .describe('Pages, Markdown, exports, tables or feeds; what a file is, its name says.'),
      site,
      style: houseStyle,
      rules: rulesSchema.default(NO_RULES).describe('What is put right.'),
    }),
    example: (link) => ({
      files: [{ name: 'page.html', text: `<h2>What it is</h2>\n<iframe src="${link}"></iframe>\n` }],
      rules: { version: 1, titles: true },
    }),
    answer: ({ files, rules, ...asked }, { book, sites, team }) => {
      const own = siteIn(asked.site, sites);
      const style = styleIn(asked.style, own, team.styles);
      const settings = { book, site: own, style, rules: style ? { ...rules, style: true } : rules };
      const swept: SweptFile[] = [];
      let patch = '';
      for (const { name, text } of files) {
        const bytes = new TextEncoder().encode(text);
        const found = sweepBytes(name, bytes, settings);
        if (!found) throw new Unanswerable('files', `${name} is no file in which embeds are looked for.`);
        swept.push(found);
        const changes = found.embeds.flatMap(({ change }) => change ?? []);
        if (changes.length > 0) patch += writeChanges(name, bytes, changes)?.patch ?? '';
      }
      return { report: reportOf(swept, false), patch };
    },
  }),
];

/** The site that is meant: one that this server knows, or the one given; throws `Unanswerable` where there is none. */
export function siteIn(asked: string | Site | null, sites: readonly Site[]): Site | null {
  if (asked === null || typeof asked !== 'string') return asked;
  const found = sites.find(({ id }) => id === asked);
  if (!found) throw new Unanswerable('site', `There is no site “${asked}”. There are ${sites.map(({ id }) => id).join(', ')}.`);
  return found;
}

/** The house style that holds for a site: the one given, or the team's. */
export const styleIn = (
  asked: HouseStyle | null,
  site: Site | null,
  styles: Readonly<Record<string, HouseStyle>>,
): HouseStyle | undefined => asked ?? (site && Object.hasOwn(styles, site.id) ? styles[site.id] : undefined);

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
