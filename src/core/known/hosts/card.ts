import { z } from 'zod';
import { KINDS, SCOPES } from '../../model/kind.ts';
import { runsAsAddress } from '../../model/running.ts';
import { isSettingId, type SettingId } from '../settings/list.ts';
import { contradictions, inPath } from './contradictions.ts';
import { spelling } from './spelling.ts';

/**
 * The host card: what Refenestra knows of one host. Written by people, shared as JSON;
 * `docs/formats/host-card.md` tells it as a story, and the JSON Schema beside it is made from this.
 */
const word = z.string().regex(/^[A-Za-z][A-Za-z0-9_-]{0,39}$/, 'a name is letters, digits, - and _');
const sentence = z.string().min(1).max(300);
const date = z.iso.date();
const originAddress = z
  .string()
  .regex(
    /^https?:\/\/(?:\*\.(?=[a-z0-9-]+\.))?[a-z0-9.-]+(:\d{1,5})?$/,
    'an origin is scheme and host, such as https://media.example, or https://*.media.example',
  );
/** Whatever is put in, what comes out is an address of the web, or a path of the host's own. */
const template = z
  .string()
  .min(1)
  .max(400)
  .regex(/^(?:https?:\/\/(?:\{subdomain\}\.)?[^\s{}/?#]|\/)/i, 'an address begins with http://, https:// or /')
  .refine(isTemplate, 'this is no URI Template: braces hold names, as in /watch/{id}')
  .describe('URI Template, RFC 6570; from / on, it is of the first frame or share origin');

function isTemplate(source: string): boolean {
  const braces = source.replace(/\{[+#./;?&]?[A-Za-z_]\w*(?::\d{1,4}|\*)?(?:,[A-Za-z_]\w*(?::\d{1,4}|\*)?)*\}/g, '');
  return !/[{}]/.test(braces);
}
const settingId = z.string().refine(isSettingId, 'no setting has this id; `cli -- settings` lists them');
const groups = ['share', 'short', 'mobile', 'frame', 'reduced'] as const;
const originGroup = z.enum(groups);

/**
 * The shape of an identifier: character classes and plain characters, each with a plain quantifier.
 * Groups and alternatives are left out on purpose, so that no card can make matching slow.
 */
const CLASS = String.raw`\[[A-Za-z0-9_.-]+\]`;
const oneShape = z
  .string()
  .max(120)
  .regex(
    new RegExp(String.raw`^(?:\*|(?:(?:${CLASS}|[A-Za-z0-9_-])(?:\{\d{1,2}(?:,\d{1,2})?\}|\+)?)+)$`),
    'a shape is classes such as [a-z0-9]{8}, one after the other, or * for any text',
  );
const shape = z.union([oneShape, z.array(oneShape).min(2).max(6)]).describe('Or several, any of which will do');

const note = z.strictObject({ date, text: sentence });

const placeName = z.string().min(1).max(60);

const identifier = z.strictObject({
  name: z.string().min(1).max(40).describe('What it identifies, in a word'),
  shape,
  words: sentence,
  example: z.string().max(80),
  samples: z.array(z.string().max(80)).default([]).describe('Stand in the host’s own instructions, and must be replaced'),
});

/** Attributes of a placeholder or a short code: `{capture}`, `{canonical}`, or the words themselves. */
const fixedAttributes = z.record(
  z.string().regex(/^(?!on)[a-z][a-z0-9-]*$/, 'an attribute is small letters, digits and -, and none that runs code'),
  z
    .string()
    .max(200)
    .refine((value) => !runsAsAddress(value), 'this would run code in the page'),
);
const attributePrefix = z
  .string()
  .max(30)
  .regex(/^(?!on)(?:[a-z][a-z0-9-]*)?$/, 'a prefix is small letters, digits and -');

const script = z.strictObject({
  src: z.url({ protocol: /^https?$/ }).describe('The script that turns the placeholder into the embed'),
  element: z
    .string()
    .regex(
      /^(?:div|a|blockquote|[a-z][a-z0-9]*(?:-[a-z0-9]+)+)$/,
      'div, a, blockquote, or an element of the host’s own, such as media-player',
    ),
  attributes: fixedAttributes.describe('Attributes that say which item it is'),
  prefix: attributePrefix.default('').describe('Stands before the name of a setting in its attribute'),
  picture: template.optional().describe('A picture shown until the script has run'),
});

const access = z.strictObject({
  needs: z.enum(['release', 'date', 'key', 'signIn', 'http', 'domain', 'open']),
  status: z.number().int().min(100).max(599).optional().describe('The answer to a frame by which it shows'),
  only: z.record(word, z.array(z.string())).optional().describe('Only for these identifiers'),
  words: sentence,
  remedy: sentence,
  date,
});

const fit = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('ratio'),
    ratio: z.string().regex(/^\d+(\.\d+)?:\d+(\.\d+)?$/),
    width: z.number().int().positive(),
    mode: z.enum(['fill', 'atMost']).default('fill'),
  }),
  z.strictObject({
    by: z.literal('steps'),
    setting: settingId,
    heights: z.record(z.string(), z.number().int().positive()),
    usual: z.string(),
    width: z.number().int().positive(),
  }),
  z.strictObject({
    by: z.enum(['content', 'number']).describe('Height of the content, told by message, or a number of pixels'),
    height: z.number().int().positive(),
    width: z.number().int().positive(),
  }),
]);

const target = z.strictObject({
  kind: z.enum(KINDS),
  scope: z.enum(SCOPES),
  id: z.array(word).min(1).describe('Captures that together are the identifier'),
  canonical: template,
  frame: template.optional().describe('Absent where the host has script code only'),
  fit,
  least: z.strictObject({ width: z.number().int().positive(), height: z.number().int().positive() }).optional(),
  script: script.optional(),
  shortcode: z.strictObject({ name: word, attributes: fixedAttributes }).optional(),
  access: z.array(access).default([]),
  allow: z.array(z.string().regex(/^[a-z-]+$/)).describe('Permissions Policy features that its player needs'),
  transcript: template.optional().describe('Where what is said in it can be had, as WebVTT or SubRip'),
});

const FEW_NAMES = 'at most three :names in one segment, each with text between';
const fewNames = (segment: string): boolean => namesIn(segment).length <= 3 && !ADJOINING.test(segment);
/** Two names with nothing between them could be told apart in many ways. */
const ADJOINING = /:[A-Za-z]\w*\}?\{?:[A-Za-z]/;

const link = z.strictObject({
  id: word,
  name: sentence,
  target: word,
  on: z.array(originGroup).min(1),
  path: z
    .string()
    .startsWith('/')
    .max(200)
    .refine((path) => path.split('/').every(fewNames), FEW_NAMES)
    .describe('URL Pattern: literal text and :names'),
  query: z
    .record(z.string(), z.string().max(200).refine(fewNames, FEW_NAMES))
    .default({})
    .describe('Parameters that must be there: literal text and :names, as in a path'),
  fragment: z
    .string()
    .min(1)
    .max(200)
    .refine(fewNames, FEW_NAMES)
    .optional()
    .describe('The whole of what stands behind #, where that says which item it is'),
  framed: z.boolean().default(false).describe('Whether this is the frame address, with the settings in it'),
  wraps: word.optional().describe('Capture that holds the whole share link'),
  reads: z
    .array(z.strictObject({ in: z.enum(['query', 'fragment', 'path']), name: placeName, setting: settingId, spelling }))
    .default([])
    .describe('Settings that the link carries; in the path, the name is that of a capture'),
  refused: z.strictObject({ why: sentence, remedy: sentence }).optional(),
  examples: z.array(z.url({ protocol: /^https?$/ })).min(1),
});

/** Where a setting stands, and how its values are spelt there. */
const place = {
  in: z
    .enum(['query', 'fragment', 'path', 'packed', 'attribute', 'frameAttribute'])
    .describe(
      'In the path, the name is that of a place in the target’s frame template; packed is within a parameter that holds several; an attribute is one of the script code’s placeholder, a frameAttribute one of the frame',
    ),
  name: z.string().max(60).describe('Empty for a fragment that is nothing but the value'),
  pack: word.optional().describe('Which of the packs it stands in'),
  rest: z.string().max(60).optional().describe('In the path: what stands there where nothing is asked'),
  bare: z.boolean().default(false).describe('A value that is empty leaves nothing but the name'),
  quoted: z.boolean().default(false).describe('In JSON, text even where it looks like a number or a truth value'),
  spelling,
};

const honoured = z.strictObject({
  ...place,
  instead: z
    .array(z.strictObject({ targets: z.array(word).min(1), ...place }))
    .default([])
    .describe('Where targets have it in another place, or spell it otherwise'),
  usual: z.string().optional().describe('What the host does when nothing is sent'),
  with: z
    .record(
      z.string().min(1).max(60),
      z
        .string()
        .max(200)
        .regex(/^(?:\{\w+\}|[^{}]*)$/, 'one capture in braces, such as {id}, or the words themselves'),
    )
    .default({})
    .describe('Query parameters that must be sent along: each a capture, or a constant'),
  targets: z.array(word).optional().describe('Only for these targets'),
  fromSite: z.enum(['domain', 'language']).optional().describe('The value is that of the site, where nobody sets another'),
  proposed: z.boolean().default(false).describe('It may be so: nobody has seen it obeyed yet'),
  needed: z.boolean().default(false).describe('Sent even when nobody asked, since nothing shows without it'),
  allow: z.string().optional().describe('Permissions Policy feature that it needs while on'),
  limits: z
    .array(z.strictObject({ values: z.array(z.string()).optional(), targets: z.array(word).optional(), happens: sentence, date }))
    .default([]),
  withdrawn: z.array(z.strictObject({ value: z.string(), since: date, nearest: z.string(), note: sentence })).default([]),
  note: note.optional(),
});
/** One parameter that holds several things. */
const pack = z.strictObject({
  in: z.enum(['query', 'fragment', 'path', 'attribute']),
  name: z.string().max(60).describe('The parameter; in the path, a place in the frame template; empty for the whole fragment'),
  as: z
    .enum(['pairs', 'places', 'json'])
    .describe('Pairs, each a name with its value or a name alone; values by their place, from 0; or a JSON object'),
  separator: z.string().max(3).default(',').describe('Empty where each letter stands for one'),
  equals: z.string().min(1).max(3).default(':'),
  base64url: z.boolean().default(false).describe('The whole is encoded (RFC 4648, section 5)'),
  order: z.array(placeName).max(60).default([]).describe('Names in the order in which the host writes them'),
  fixed: z.record(placeName, z.string().max(200)).default({}).describe('What must always be in it'),
});
const byOrigin = z.strictObject({
  in: z.literal('origin'),
  words: z.record(z.string(), originGroup),
  usual: z.string(),
  note: note.optional(),
});
const gone = z.strictObject({ in: z.literal('nowhere'), since: date, note: sentence });

const field = z.strictObject({
  at: z.string().max(80),
  each: z.string().max(80).optional().describe('For a list: path within each of its entries'),
  unit: z.enum(['s', 'ms']).optional(),
});
/** What a message of a player may say besides what happened. */
export const PLAYER_FIELDS = [
  'time',
  'duration',
  'muted',
  'title',
  'page',
  'offers',
  'height',
  'track',
  'showsControls',
  'showsTitle',
] as const;

const FORMAT = 'refenestra-host-card/2';

export const cardSchema = z
  .strictObject({
    $schema: z.string().optional(),
    // The second version only says more: a card of the first one is one of the second.
    format: z.enum(['refenestra-host-card/1', FORMAT]).transform(() => FORMAT),
    id: word,
    name: z.string().min(1).max(60),
    updated: date,
    origins: z.partialRecord(originGroup, z.array(originAddress).min(1)),
    identifiers: z.record(word, identifier),
    targets: z.record(word, target),
    links: z.array(link).min(1),
    settings: z.partialRecord(settingId, z.union([honoured, byOrigin, gone])).default({}),
    packs: z.record(word, pack).default({}).describe('Parameters that hold several settings'),
    tracking: z.array(z.string()).default([]),
    said: z
      .record(
        z.string().regex(/^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/, 'a language is a tag such as de or pt-BR (BCP 47)'),
        z.record(sentence, sentence),
      )
      .default({})
      .describe('The words of the card in other languages: as they stand in it → the same in that language'),
    search: z
      .strictObject({
        description: z
          .url({ protocol: /^https?$/ })
          .max(400)
          .describe('An OpenSearch description document'),
      })
      .optional()
      .describe('Where it can be searched by name'),
    asks: z
      .array(originAddress)
      .max(20)
      .default([])
      .describe('Origins whose links do not say enough: their pages are asked for the player'),
    oembed: z.strictObject({ endpoint: template, duration: field.optional(), pages: field.optional() }).optional(),
    player: z
      .strictObject({
        encoding: z
          .enum(['object', 'json', 'text'])
          .describe('An object or a list; text that holds one; or words with spaces between'),
        event: z.string().describe('Path to the name of the event, with dots'),
        events: z.record(z.string(), z.enum(['ready', 'playing', 'paused', 'time', 'ended', 'page'])),
        fields: z.partialRecord(z.enum(PLAYER_FIELDS), field),
        ask: z.partialRecord(z.enum(['play', 'pause', 'seek', 'mute', 'unmute']), z.json()).default({}),
      })
      .optional(),
  })
  .superRefine((card, context) => {
    card.links.forEach((form, i) => {
      if (!Object.hasOwn(card.targets, form.target))
        context.addIssue({ code: 'custom', path: ['links', i, 'target'], message: `no target is called "${form.target}"` });
      for (const group of form.on)
        if (!card.origins[group])
          context.addIssue({ code: 'custom', path: ['links', i, 'on'], message: `the card has no "${group}" origins` });
      const own = new Set([form.wraps, ...(form.framed ? inPath(card) : [])]);
      for (const name of capturesOf(form))
        if (
          !Object.hasOwn(card.identifiers, name) &&
          !own.has(name) &&
          !form.reads.some((r) => r.in === 'path' && r.name === name)
        )
          context.addIssue({
            code: 'custom',
            path: ['links', i],
            message: `"${name}" is captured, but has no shape in identifiers`,
          });
    });
    for (const { path, message } of contradictions(card)) context.addIssue({ code: 'custom', path: [...path], message });
    for (const [name, { frame, script }] of Object.entries(card.targets))
      if (!frame && !script)
        context.addIssue({ code: 'custom', path: ['targets', name], message: 'it has neither a frame address nor script code' });
  });

export type HostCard = z.infer<typeof cardSchema>;
export type LinkForm = HostCard['links'][number];
export type Target = HostCard['targets'][string];
export type HonouredSetting = z.infer<typeof honoured>;
export type CardSetting = NonNullable<HostCard['settings'][SettingId]>;
/** Whether it is a guess that nobody has seen obeyed. */
export const isProposed = (use: CardSetting | undefined): boolean => use !== undefined && 'proposed' in use && use.proposed;
export type OriginGroup = (typeof groups)[number];
export type Pack = HostCard['packs'][string];
export type SettingPlace = Pick<HonouredSetting, 'in' | 'name' | 'pack' | 'rest' | 'bare' | 'quoted' | 'spelling'>;
export type PlayerMessages = NonNullable<HostCard['player']>;

/** Names that a link form captures from path and query. */
export function capturesOf(form: Pick<LinkForm, 'path' | 'query' | 'fragment'>): string[] {
  return [form.path, ...Object.values(form.query), form.fragment ?? ''].flatMap(namesIn);
}

/** A name within a pattern: `:name`, or `{:name}` where letters follow (URL Pattern Standard, section 1.1). */
export const NAME_IN_PATTERN = /\{:([A-Za-z]\w*)\}|:([A-Za-z]\w*)/g;

/** The names of the captures in a pattern of a path, in order. */
export const namesIn = (pattern: string): string[] => [...pattern.matchAll(NAME_IN_PATTERN)].map((m) => (m[1] ?? m[2])!);
