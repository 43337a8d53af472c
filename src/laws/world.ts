import fc from 'fast-check';
import { makeBook } from '../core/known/hosts/book.ts';
import { capturesOf, NAME_IN_PATTERN, type HostCard } from '../core/known/hosts/card.ts';
import { loadCards } from '../core/known/hosts/loadCards.ts';
import type { ValueType, SettingValue } from '../core/model/values.ts';
import { SETTINGS, type Settings } from '../core/known/settings/list.ts';
import { FORMS } from '../core/steps/write/forms/list.ts';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../standins/world.ts';

/** The cards and sites that ship, and generators of links, settings and forms for them. */
export const cards: readonly HostCard[] = loadCards(readCardFiles(WRITTEN_ORIGIN)).cards;
export const book = makeBook(cards);
export const sites = readSites(WRITTEN_ORIGIN);

/** How often a property is tried; `RUNS=20000` for a long look. */
export const runs = (usual: number): { numRuns: number } => ({
  numRuns: Number(process.env.RUNS ?? Math.ceil(usual * IN_THE_SUITE)),
});
/** With every change as many as a machine of two processors has time for; by the thousand where a law is touched. */
const IN_THE_SUITE = 0.6;

const word = (shape: string): fc.Arbitrary<string> =>
  fc.stringMatching(new RegExp(`^(?:${shape})$`)).filter((s) => s.length < 60);

/** No sentence's mark at its end, which would be taken for the sentence's. */
const linkIn = (all: fc.Arbitrary<string>): fc.Arbitrary<string> => all.filter((text) => !/[.,]$/.test(text));

/** A share link, or a frame address, in any form of any card, with identifiers of the right shape. */
export const link: fc.Arbitrary<string> = linkIn(
  fc.oneof(
    ...cards.flatMap((card) =>
      card.links
        .filter((form) => !form.refused && !form.wraps)
        .map((form) => {
          const names = capturesOf(form);
          const values = fc.record(
            Object.fromEntries(
              names.map((name) => [
                name,
                card.identifiers[name]
                  ? word([card.identifiers[name].shape].flat()[0]!)
                  : fc.nat({ max: 18 }).map((n) => String(n + 1)),
              ]),
            ),
          );
          const origin = fc.constantFrom(...form.on.flatMap((group) => card.origins[group]!));
          return fc.tuple(origin, values).map(([at, captures]) => {
            const fill = (text: string): string =>
              text.replace(NAME_IN_PATTERN, (_, a?: string, b?: string) => captures[(a ?? b)!]!);
            const query = Object.entries(form.query).map(([name, value]) => `${name}=${fill(value)}`);
            return `${at}${fill(form.path)}${query.length > 0 ? `?${query.join('&')}` : ''}`;
          });
        }),
    ),
  ),
);

const VALUES: { [Type in ValueType['type']]: (type: Extract<ValueType, { type: Type }>) => fc.Arbitrary<SettingValue> } = {
  switch: () => fc.constantFrom('on', 'off'),
  choice: ({ options }) => fc.constantFrom(...options),
  time: () => fc.integer({ min: 0, max: 9000 }),
  count: ({ least }) => fc.integer({ min: least, max: 400 }),
  length: ({ least, most }) => fc.integer({ min: least, max: most }),
  colour: () => fc.stringMatching(/^#[0-9a-f]{6}$/),
  ratio: () => fc.constantFrom('16:9', '4:3', '1:1', '9:16', '2.35:1'),
  language: () => fc.constantFrom('en', 'nl', 'pt-BR'),
  text: () => text,
  picture: () =>
    fc.constantFrom(`data:image/webp;base64,${'UklG'.repeat(8)}`, 'https://pictures.example/cover.webp?size=2&kind=a'),
  set: ({ options }) => fc.subarray([...options], { minLength: 1 }).map((some) => some.join(',')),
  name: () => fc.stringMatching(/^[A-Za-z_][\w-]{0,20}$/),
  features: () =>
    fc
      .subarray(['camera', "clipboard-write 'self' https://media.example", "geolocation 'src'", 'microphone *'], { minLength: 1 })
      .map((some) => some.join('; ')),
  names: () => fc.stringMatching(/^[a-z][\w-]{0,9}( [a-z][\w-]{0,9}){0,2}$/),
};

/** Text of any kind, with what is dangerous in HTML, in Markdown and in addresses. */
export const text: fc.Arbitrary<string> = fc
  .array(
    fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 8 }),
      fc.constantFrom('"', "'", '<', '>', '&', '</iframe>', '<script>', ' onload=', '&amp;', '\n', '#', '?'),
      fc.constantFrom('](', ')', '[', '\\', '`', '//', 'http://', 'a.b/', '<div', '<!--', '&lt;', '{', '}}', '“'),
    ),
    {
      maxLength: 8,
    },
  )
  .map((parts) => parts.join('').replaceAll('\u0000', ''));

const valuesFor = (some: readonly (typeof SETTINGS)[number][]): fc.Arbitrary<Settings> =>
  fc.record(Object.fromEntries(some.map(({ id, value }) => [id, VALUES[value.type](value as never)])), { requiredKeys: [] });

/** Any settings, each with a value that fits it. */
export const settings = valuesFor(SETTINGS);

/** Those that stand in the embed itself; what stands around it is the page's, and is not read back. */
export const inFrame = valuesFor(SETTINGS.filter((s) => s.moment !== 'around'));

export const form = fc.constantFrom(...FORMS.map((f) => f.id));
export const site = fc.constantFrom(...sites);
