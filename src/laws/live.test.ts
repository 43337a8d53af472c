import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { canKeep } from '../core/live/keep.ts';
import { bringIn, keepEmbed, makeEmbed, type Embed, type Recognised } from '../core/pipeline.ts';
import { SETTINGS, type SettingId, type Settings } from '../core/known/settings/list.ts';
import type { SettingValue } from '../core/model/values.ts';
import { NO_RULES } from '../core/many/sweep/rules.ts';
import { sweepFile } from '../core/many/sweep/sweepFile.ts';
import { book, cards, inFrame, link, runs, settings, sites } from './world.ts';

/** Laws 3, 6 and 7 for code that is kept as it stands, over generated codes and edits. */
const RUNS = runs(1000);
const SIZE: readonly SettingId[] = ['widthMode', 'width', 'ratio', 'height'];
/** A height may come with another setting, as cards say. */
const STEPPED = cards.flatMap((card) =>
  Object.values(card.targets).flatMap(({ fit }) => (fit.by === 'steps' ? [fit.setting] : [])),
);
const SIZED: readonly SettingId[] = [...SIZE, ...STEPPED];
/** Another domain is another address, a border stands where none stood, full screen is there already: they change a mark of the item's own. */
const OTHERS = SETTINGS.map((s) => s.id).filter((id) => !['tracking', 'domain', 'border', 'fullscreen'].includes(id));

interface Hand {
  text: string;
  found: Recognised & { item: NonNullable<Recognised['item']> };
}

/** Code as people have it: written by us, then with other quotes, order, white space, comments and things that nobody knows. */
const hand: fc.Arbitrary<Hand> = fc
  .record({
    from: link,
    asked: inFrame,
    quote: fc.constantFrom('"', "'"),
    gap: fc.constantFrom(' ', '\n  ', '  '),
    more: fc.subarray(['data-x="1"', 'data-note', "lang='nl'", 'tabindex=0']),
    upper: fc.boolean(),
    unknown: fc.constantFrom('', 'zz=1', 'qq'),
    amp: fc.constantFrom('&amp;', '&', '&#38;', '&#038;', '&#x26;', '&AMP;'),
    tail: fc.constantFrom('', '', '&', '&&', '?'),
    own: fc.constantFrom(
      '',
      'allow="autoplay"',
      'allow="camera; autoplay;"',
      'allow=""',
      'style=""',
      'title=old',
      "title='a &#38; b'",
    ),
    list: fc.constantFrom(';', ';;', '; ', ' ; '),
    around: fc.constantFrom(['', ''], ['<!-- film -->\n', '\n<p>Text & more</p>'], ['<figure>', '</figure>']),
  })
  .map(({ from, asked, quote, gap, more, upper, unknown, amp, tail, own, list, around }) => {
    const { item } = bringIn(from, book)[0]!;
    const kept = {
      ...item!,
      unknown: unknown ? [{ in: 'query' as const, name: unknown.split('=')[0]!, value: '', raw: unknown }] : [],
    };
    const code = makeEmbed(kept, { ...asked }, { book, site: null, form: 'responsive', facts: {} }).code.text;
    const given = /^[a-z]+/.exec(own)?.[0];
    const other = code
      .replace(/ src="([^"]*)"/, (_, address: string) => {
        // A sign with nothing behind it, at the end of what is there.
        const end = tail === '?' && address.includes('?') ? '' : tail !== '?' && !address.includes('?') ? '' : tail;
        const [head, fragment] = address.split(/(?=#)/);
        return ` src="${head! + end + (fragment ?? '')}"`.replaceAll('&amp;', '&').replaceAll('&', amp);
      })
      .replace(/ style="([^"]*)"/, (_, style: string) => ` style="${style.replaceAll(';', list)}"`)
      .replace(given ? new RegExp(` ${given}="[^"]*"`) : /(?!)/, ` ${own}`)
      .replace(/ (?=[a-z-]+="|allowfullscreen)/g, gap)
      .replace('<iframe', `${upper ? '<IFRAME' : '<iframe'}${more.map((m) => gap + m).join('')}`)
      .replace(/="([^"']*)"/g, `=${quote}$1${quote}`);
    const text = around[0] + other + around[1];
    return { text, found: bringIn(text, book)[0]! as Hand['found'] };
  })
  .filter(({ found }) => found.item !== undefined && canKeep(found.candidate));

const keep = ({ text, found }: Hand, wanted: Settings): Embed =>
  keepEmbed({ text, candidate: found.candidate }, found.item, wanted, { book, site: null, facts: {} });

const other = fc.record({ id: fc.constantFrom(...OTHERS), from: settings });

/** What is left of code when the marks of some settings, and the signs that join things, are taken out. */
function without({ code }: Embed, own: readonly string[]): string {
  let text = '';
  let at = 0;
  for (const { range, origin } of code.map) {
    text += code.text.slice(at, range[0]);
    if (!own.includes(origin)) text += code.text.slice(...range);
    at = range[1];
  }
  // Sizes that come from the item stand with those that were set.
  const size = own === SIZED ? /(?:max-)?(?:width|height|aspect-ratio)[:=](["']?)[\w./%]*\1/g : /(?!)/g;
  return (
    (text + code.text.slice(at))
      .replace(size, '')
      .replace(/&(?:(?:amp|#0*38|#x0*26);)*/gi, '')
      // What the author lets the frame do stays.
      .replace(/\bautoplay\b(?: 'src'| &#39;src&#39;)?/g, '')
      .replace(/[\s;?#]/g, '')
      .replace(/(?:style|allow)=(["'])\1/g, '')
  );
}

describe('law 3: one changed setting changes only its own bytes', () => {
  test('nothing changed keeps every byte', () => {
    fc.assert(
      fc.property(hand, fc.constantFrom('', '&', '?', '#', '&amp;', '?&x', '&&y=1', '&lt'), (h, typed) => {
        expect(keep(h, h.found.item.settings).code.text).toBe(h.text);
        // As somebody types on, right behind the address.
        const end = h.found.candidate.addressRange![1];
        const text = h.text.slice(0, end) + typed + h.text.slice(end);
        const found = bringIn(text, book)[0]! as Hand['found'];
        if (found.item && canKeep(found.candidate)) expect(keep({ text, found }, found.item.settings).code.text).toBe(text);
      }),
      RUNS,
    );
  });

  test('and what is not its own stays, in its order', () => {
    fc.assert(
      fc.property(hand, other, (h, { id, from }) => {
        fc.pre(from[id] !== undefined);
        const before = keep(h, h.found.item.settings);
        const after = keep(h, { ...h.found.item.settings, [id]: from[id] });
        // Sizes are written in several places that belong together.
        const own = SIZED.includes(id) ? SIZED : [id];
        expect(without(after, own)).toBe(without(before, own));
      }),
      RUNS,
    );
  });

  test('put in and taken out again, the text is the same to the byte', () => {
    const simple = OTHERS.filter((id) => !SIZED.includes(id));
    fc.assert(
      fc.property(hand, fc.constantFrom(...simple), settings, (h, id, from) => {
        fc.pre(from[id] !== undefined && h.found.item.settings[id] === undefined);
        const text = keep(h, { ...h.found.item.settings, [id]: from[id] }).code.text;
        const found = bringIn(text, book)[0]! as Hand['found'];
        const rest = Object.fromEntries(Object.entries(found.item.settings).filter(([other]) => other !== id));
        expect(keep({ text, found }, rest).code.text).toBe(h.text);
      }),
      RUNS,
    );
  });
});

/** Sizes as people write them, of which our settings can say only some. */
const dimension = fc.constantFrom('', '560', '560.5', '80%', '100%', '0', '560px', 'auto', '20em', ' 315 ', 'x');
const declaration = fc.constantFrom('width:80%', 'max-width:20em', 'height:50vh', 'width:100%', 'aspect-ratio:16/9', 'border:0');
const oddly: fc.Arbitrary<string> = fc
  .record({
    from: link,
    width: dimension,
    height: dimension,
    style: fc.array(declaration, { maxLength: 3 }),
    allow: fc.constantFrom('', 'fullscreen', 'autoplay'),
    quote: fc.constantFrom('"', "'", ''),
    fragment: fc.constantFrom('', '#0:59', '#t=5', '#at=1m30s', '#59'),
    element: fc.constantFrom('iframe', 'video'),
  })
  .map(({ from, width, height, style, allow, quote, fragment, element }) => {
    const put = (name: string, value: string): string => {
      const needs = quote === '' && /[\s"'=<>`]/.test(value) ? '"' : quote;
      return value === '' ? '' : ` ${name}=${needs}${value}${needs}`;
    };
    const address = element === 'video' ? 'https://media.example/a.mp4' : from;
    const attributes = put('width', width) + put('height', height) + put('style', style.join(';')) + put('allow', allow);
    return `<${element}${put('src', address.replace(/#.*/, '') + fragment)}${attributes}></${element}>`;
  });

describe('law 3: nothing changed, nothing touched', () => {
  test('in any code that can be kept, on any site, and by a sweep without rules', () => {
    fc.assert(
      fc.property(oddly, fc.constantFrom(null, ...sites), (text, site) => {
        const { candidate, item } = bringIn(text, book)[0]!;
        if (item && canKeep(candidate))
          expect(keepEmbed({ text, candidate }, item, item.settings, { book, site, facts: {} }).code.text).toBe(text);
        const swept = sweepFile('page.html', text, { book, site, style: undefined, rules: NO_RULES });
        expect(swept?.embeds.filter(({ change }) => change !== null)).toEqual([]);
      }),
      RUNS,
    );
  });

  test('a change of one setting leaves code that reads back as that setting', () => {
    fc.assert(
      fc.property(oddly, fc.integer({ min: 1, max: 90 }), fc.constantFrom('title', 'start', 'spaceAbove'), (text, number, id) => {
        const found = bringIn(text, book)[0]! as Hand['found'];
        fc.pre(found.item !== undefined && canKeep(found.candidate));
        // The page of an item in a frame is a fault of its own, with a check of its own.
        fc.pre(found.item.host === null || text.includes(found.item.frame?.split('?')[0] ?? '\0'));
        const value = id === 'title' ? `Film ${number}` : number;
        const { code, plan } = keep({ text, found }, { ...found.item.settings, [id]: value });
        const entry = plan.entries.find(({ setting }) => setting === id);
        if (entry?.state !== 'sent' && entry?.state !== 'done here') return;
        const again = bringIn(code.text, book);
        expect(again).toHaveLength(1);
        expect(again[0]!.item?.settings[id], code.text).toBe(value);
      }),
      RUNS,
    );
  });
});

describe('code without a frame', () => {
  const scripts = cards.flatMap((card) =>
    Object.entries(card.targets).flatMap(([name, { script }]) => (script ? [{ card, name }] : [])),
  );
  const coded = fc
    .tuple(link, fc.constantFrom<'responsive' | 'shortcode'>('responsive', 'shortcode'))
    .map(([from, form]) => {
      const { item } = bringIn(from, book)[0]!;
      return makeEmbed(item!, {}, { book, site: sites[0]!, form, facts: {} }).code.text;
    })
    .filter((text) => /^\[|<script/.test(text));

  test('says "done here" only of what it writes', () => {
    expect(scripts.length).toBeGreaterThan(0);
    fc.assert(
      fc.property(coded, settings, (text, wanted) => {
        const found = bringIn(text, book)[0]! as Hand['found'];
        fc.pre(found.item !== undefined && canKeep(found.candidate));
        for (const [id, value] of Object.entries(wanted)) {
          if (value === undefined || value === '' || found.item.settings[id as SettingId] === value) continue;
          const { code, plan } = keep({ text, found }, { ...found.item.settings, [id]: value });
          const entry = plan.entries.find(({ setting }) => setting === id);
          if (entry?.state === 'done here' && entry.reason.code !== 'alreadySo') expect(code.text, id).not.toBe(text);
        }
      }),
      RUNS,
    );
  });
});

/** A feature that comes along with a setting says nothing of its own. */
const bare = (value: SettingValue | undefined): SettingValue | undefined =>
  typeof value === 'string' ? value.replace(/^autoplay(?:; |$)/, '') || undefined : value;

describe('laws 2 and 7: what was laid into code is read from it', () => {
  test('so that laying it in again changes nothing', () => {
    fc.assert(
      fc.property(hand, settings, (h, wanted) => {
        const { code, plan } = keep(h, { ...h.found.item.settings, ...wanted });
        const found = bringIn(code.text, book)[0]! as Hand['found'];
        const written = new Set(code.map.map((mark) => mark.origin));
        for (const { setting, asked, reason } of plan.entries)
          if (written.has(setting) && !SIZED.includes(setting))
            expect(bare(found.item.settings[setting]), `${setting} in ${code.text}`).toBe(
              bare(reason.code === 'nearest' ? reason.value : asked),
            );
        expect(keep({ text: code.text, found }, found.item.settings).code.text).toBe(code.text);
      }),
      RUNS,
    );
  });
});

describe('law 6: what nobody knows survives every edit', () => {
  test('in code that is kept', () => {
    fc.assert(
      fc.property(hand, settings, (h, wanted) => {
        const { text } = keep(h, { ...h.found.item.settings, ...wanted }).code;
        for (const piece of h.text.match(
          /data-x=.1.|data-note|lang=.nl.|tabindex=0|zz=1|[?;&]qq|<!-- film -->|<p>Text & more<\/p>|<\/?figure>/g,
        ) ?? [])
          expect(text).toContain(piece.replace(/^[?;&]/, ''));
      }),
      RUNS,
    );
  });
});
