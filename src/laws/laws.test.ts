import fc from 'fast-check';
import { Parser } from 'htmlparser2';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { makeBook } from '../core/known/hosts/book.ts';
import type { Embed } from '../core/pipeline.ts';
import { bringIn, makeEmbed } from '../core/pipeline.ts';
import { settingOf, type SettingId, type Settings } from '../core/known/settings/list.ts';
import { read } from '../core/steps/read/read.ts';
import type { Site } from '../core/model/site.ts';
import { formOf, FORMS, type CodeFormId } from '../core/steps/write/forms/list.ts';
import { boxHeight } from '../core/model/box.ts';
import { book, cards, form, inFrame, link, runs, settings, site, text } from './world.ts';

const RUNS = runs(1000);
/** What is done by leaving something out, or says no more than the element does. */
const SILENT: readonly SettingId[] = [
  'controls',
  'autoplay',
  'mute',
  'loop',
  'structuredData',
  'heading',
  'text',
  'caption',
  'textLink',
  'transcript',
  'start',
  'end',
  'title',
];
const GEOMETRY: readonly SettingId[] = ['widthMode', 'width', 'ratio', 'height', 'density'];

/** Forms out of which everything can be read back. */
const whole = fc.constantFrom(...FORMS.filter((f) => f.carries === 'everything').map((f) => f.id));

/** An embed made of generated parts. */
const embedOf = (parts: { form: typeof form; settings: typeof settings }) =>
  fc.record({ link, site, text, ...parts }).map(({ link: from, settings: asked, form: as, site: on }) => {
    const { item } = bringIn(from, book)[0]!;
    return {
      from,
      asked,
      as,
      on,
      made: makeEmbed(item!, { ...item!.settings, ...asked }, { book, site: on, form: as, facts: {} }),
    };
  });
const embed = embedOf({ form, settings });

describe('law 1: read never throws', () => {
  test('on any string', () => {
    const pieces = fc.constantFrom(
      '<iframe',
      ' src=',
      '"',
      "'",
      '>',
      '</iframe>',
      'http://',
      '//',
      'a.b/',
      '&amp;',
      '&#',
      '<!--',
      '<script',
      '\u0000',
      ' ',
      'javascript:x',
    );
    const mess = fc
      .array(fc.oneof(pieces, fc.string({ unit: 'binary', maxLength: 6 })), { maxLength: 40 })
      .map((p) => p.join(''));
    fc.assert(
      fc.property(mess, (t) => {
        for (const { range } of read(t)) {
          expect(range[0]).toBeGreaterThanOrEqual(0);
          expect(range[1]).toBeLessThanOrEqual(t.length);
        }
        bringIn(t, book);
      }),
      RUNS,
    );
  });

  test.each([
    ['unclosed quotes', '<iframe src="'.repeat(150_000)],
    ['a hundred thousand <', '<'.repeat(100_000)],
    ['one word', 'a.'.repeat(1_000_000)],
    ['slashes', '/'.repeat(2_000_000)],
    ['spaces in an address', `<iframe src="http://a.b/${' '.repeat(2_000_000)}x">`],
    ['many links', 'see http://a.b/c '.repeat(100_000)],
    ['attributes', `<iframe ${'a=1 '.repeat(300_000)}>`],
    ['nested wrappers', `${'<div style="padding:50% 0 0 0">'.repeat(60_000)}<iframe src="http://a.b/c">`],
    ['wrapped frames', '<div style="padding:50% 0 0 0"><iframe src="http://a.b/c"></iframe></div>'.repeat(20_000)],
    ['scripts behind links', '</a><script src=x></script>'.repeat(100_000)],
    ['short codes', '[a b="'.repeat(400_000)],
    ['escaped code', '&lt;iframe src=&quot;'.repeat(100_000)],
    ['curly quotes', '<iframe src=“'.repeat(100_000)],
    ['braces', '<a ={{={'.repeat(200_000)],
    ['Markdown', '](http://a.b/c '.repeat(100_000)],
    ['objects', '<object><param name=movie>'.repeat(80_000)],
  ])('on hostile text: %s', (_, hostile) => {
    expect(read(hostile).length).toBeGreaterThan(0);
  });
});

describe('law 2: reading what was written gives back the item and the settings', () => {
  test('for every card, setting and form that carries them', () => {
    fc.assert(
      fc.property(embedOf({ form: whole, settings: inFrame }), ({ made, on }) => {
        const back = bringIn(made.code.text, book)[0]!;
        expect(back.item, made.code.text).toBeDefined();
        const { item } = back;
        expect([item!.host, item!.scope, item!.id]).toEqual([made.item.host, made.item.scope, made.item.id]);
        expect(item!.settings).toMatchObject(carried(made));
        if (!made.plan.script)
          expect(sizeOf(makeEmbed(item!, item!.settings, { book, site: on, form: 'fixed', facts: {} }))).toEqual(sizeOf(made));
      }),
      RUNS,
    );
  });

  test('and for files of one’s own, with what stands around them', () => {
    const file = fc
      .constantFrom('a.mp4', 'a.webm?b=1', 'a.mp3', 'a.ogg#t=3', 'a.jpg', 'a.pdf')
      .map((name) => `https://media.example/${name}`);
    fc.assert(
      fc.property(file, settings, whole, site, (from, asked, as, on) => {
        const { item } = bringIn(from, book)[0]!;
        const made = makeEmbed(item!, { ...item!.settings, ...asked }, { book, site: on, form: as, facts: {} });
        const back = bringIn(made.code.text, book).find((one) => one.item?.form === 'file' || as === 'link')!.item!;
        expect([back.kind, back.form, back.frame], made.code.text).toEqual([item!.kind, item!.form, item!.frame]);
        const around = Object.keys(made.settings).filter((id) => settingOf(id as SettingId).moment === 'around');
        const inside = Object.entries(carried(made)).filter(([id]) => !around.includes(id));
        expect(back.settings, made.code.text).toMatchObject(Object.fromEntries(inside));
        for (const { setting, state } of made.plan.entries)
          if (state === 'done here' && !GEOMETRY.includes(setting) && setting !== 'load' && setting !== 'beside')
            expect(
              made.code.map.some((mark) => mark.origin === setting) || SILENT.includes(setting),
              `${setting} in ${made.code.text}`,
            ).toBe(true);
      }),
      RUNS,
    );
  });

  test('and of forms that carry the item alone, the item', () => {
    const itemForm = fc.constantFrom(...FORMS.filter((f) => f.carries === 'item').map((f) => f.id));
    fc.assert(
      fc.property(embedOf({ form: itemForm, settings }), ({ made }) => {
        const found = bringIn(made.code.text, book).map((one) => one.item);
        const same = found.some((item) => item?.host === made.item.host && item.id === made.item.id);
        expect(same, made.code.text).toBe(true);
      }),
      RUNS,
    );
  });
});

/** The settings that stand in the code, as the host will take them; sizes are compared by what they come to. */
function carried({ code, plan }: Embed): Settings {
  const written = new Set(code.map.map((mark) => mark.origin));
  const entries = plan.entries.filter(
    (e) => (e.sent.length > 0 || e.state === 'done here') && written.has(e.setting) && !GEOMETRY.includes(e.setting),
  );
  return Object.fromEntries(entries.map((e) => [e.setting, e.reason.code === 'nearest' ? e.reason.value : e.asked]));
}

function sizeOf({ plan: { box } }: Embed): object {
  return { width: box.width, height: boxHeight(box) };
}

/** Elements and attribute names of markup, in order. */
function skeleton(html: string): string[] {
  const parts: string[] = [];
  const parser = new Parser({
    onopentag: (name, attributes) => parts.push(`${name} ${Object.keys(attributes).join(' ')}`),
    oncomment: () => parts.push('comment'),
  });
  parser.end(html);
  return parts;
}

describe('law 4: no text from outside adds an element, an attribute or a script', () => {
  test('through title, identifiers, parameters and attributes', () => {
    const attribute = fc.constantFrom('name', 'data-note', 'lang');
    fc.assert(
      fc.property(
        text,
        text,
        attribute,
        form.filter((id) => formOf(id).language !== 'text'),
        (title, value, name, as) => {
          const make = (t: string, v: string): string[] => {
            const code = `<iframe src="http://media.example/a?p=${encodeURIComponent(v)}" ${name}="${v.replace(/[&"]/g, (c) => `&#${c.charCodeAt(0)};`)}"></iframe>`;
            const { item } = bringIn(code, book)[0]!;
            return skeleton(makeEmbed(item!, { title: t }, { book, site: null, form: as, facts: { title: t } }).code.text);
          };
          expect(make(title, value)).toEqual(make('plain', 'plain'));
        },
      ),
      RUNS,
    );
  });

  test('and no address but http and https becomes a frame', () => {
    const schemes = [
      'javascript:',
      'data:text/html,',
      'vbscript:',
      'blob:',
      'file:///',
      'JaVa\nScRiPt:',
      '\u0001javascript:',
      'java&#x73;cript:',
      ' data:',
    ];
    for (const scheme of schemes)
      for (const written of [`<iframe src="${scheme}alert(1)"></iframe>`, `${scheme.replace(/&#x73;/, 's')}alert(1)`])
        for (const { item } of bringIn(written, book)) expect(item, written).toBeUndefined();
  });
});

describe('law 5: every setting asked for is accounted for', () => {
  test('once, with a state and a reason', () => {
    fc.assert(
      fc.property(embed, ({ made }) => {
        expect(
          made.plan.entries
            .filter((e) => e.reason.code !== 'fromSite')
            .map((e) => e.setting)
            .sort(),
        ).toEqual(Object.keys(made.settings).sort());
      }),
      RUNS,
    );
  });

  test('and what was not asked for is not sent', () => {
    fc.assert(
      fc.property(
        link,
        form.filter((id) => formOf(id).cover !== 'page'),
        (from, as) => {
          const { item } = bringIn(from, book)[0]!;
          const made = makeEmbed(item!, {}, { book, site: null, form: as, facts: {} });
          expect(made.plan.parts).toEqual([]);
          expect(made.code.map.every((mark) => mark.origin === 'item')).toBe(true);
        },
      ),
      RUNS,
    );
  });
});

describe('law 6: unknown parameters and attributes survive', () => {
  const name = fc.stringMatching(/^x[a-z]{2,8}$/);
  const value = fc.stringMatching(/^[A-Za-z0-9._~%20-]{1,12}$/).filter((v) => !/%(?!20)/.test(v));

  test('through reading and writing, twice', () => {
    fc.assert(
      fc.property(
        fc.record({ from: link, asked: settings, as: whole, parameter: name, v: value }),
        ({ from, asked, as, parameter, v }) => {
          const raw = `${parameter}=${v}`;
          const code = `<iframe src="${from}${from.includes('?') ? '&amp;' : '?'}${raw}" data-${parameter}="${v}"></iframe>`;
          let current = code;
          for (let i = 0; i < 2; i++) {
            const { item } = bringIn(current, book)[0]!;
            current = makeEmbed(item!, { ...item!.settings, ...asked }, { book, site: null, form: as, facts: {} }).code.text;
          }
          expect(current).toContain(raw);
          expect(current).toContain(`data-${parameter}="${v}"`);
        },
      ),
      RUNS,
    );
  });
});

describe('law 7: applying the same again changes nothing', () => {
  const again = (code: string, on: Site, as: CodeFormId): string => {
    const { item } = bringIn(code, book)[0]!;
    return makeEmbed(item!, item!.settings, { book, site: on, form: as, facts: {} }).code.text;
  };

  test('written code, read and written again, is the same code', () => {
    fc.assert(
      fc.property(embedOf({ form: whole, settings: inFrame }), ({ made, on, as }) => {
        expect(again(made.code.text, on, as)).toBe(made.code.text);
      }),
      RUNS,
    );
  });
});

const CORE = join(import.meta.dirname, '../core');

describe('law 8: the core knows no host', () => {
  const files = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter(
    (file) => file.endsWith('.ts') && !file.endsWith('.test.ts'),
  );
  const names = cards.flatMap((card) => [
    card.id,
    ...Object.values(card.origins).flatMap((o) => o.map((origin) => new URL(origin).hostname.split('.').at(-2)!)),
  ]);

  test('in no file', () => {
    expect(files.length).toBeGreaterThan(50);
    for (const file of files) {
      const source = readFileSync(join(CORE, file), 'utf8').toLowerCase();
      for (const name of names) expect(source, file).not.toContain(name);
    }
  });

  test('so that a host under any other name is treated the same', () => {
    const name = fc.stringMatching(/^[a-z]{5,12}$/);
    fc.assert(
      fc.property(embedOf({ form, settings }), name, ({ from, asked, as, on, made }, other) => {
        const card = cards.find(({ id }) => id === made.item.host)!;
        const renamed = (written: string): string => written.replaceAll(card.id, other);
        const elsewhere = makeBook([JSON.parse(renamed(JSON.stringify(card))) as typeof card]);
        const item = bringIn(renamed(from), elsewhere)[0]!.item!;
        const again = makeEmbed(item, { ...item.settings, ...asked }, { book: elsewhere, site: on, form: as, facts: {} });
        expect(again.code.text).toBe(renamed(made.code.text));
        expect(again.plan.entries.map((e) => e.state)).toEqual(made.plan.entries.map((e) => e.state));
      }),
      RUNS,
    );
  });

  test('and every setting that a card names is one of ours', () => {
    for (const card of cards) for (const id of Object.keys(card.settings)) expect(settingOf(id as SettingId).id).toBe(id);
  });
});
