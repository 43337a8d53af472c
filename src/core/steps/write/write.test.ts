import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readCoverPage, writeCoverPage, type CoverPage } from '../../model/coverPage.ts';
import { siteSchema } from '../../model/site.ts';
import { bringIn, makeEmbed } from '../../pipeline.ts';
import type { Settings } from '../../known/settings/list.ts';
import { book, sites, text } from '../../../laws/world.ts';
import type { CodeFormId } from './forms/list.ts';

const VIDEO = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const FRAME = 'http://frames.lanternreel.localhost:4600/f/k7wq2m9d';
const COVER = `data:image/webp;base64,${'UklG'.repeat(8)}`;
const site = sites[0]!;

function embed(form: CodeFormId, settings: Settings, more: { link?: string; shortcode?: string } = {}) {
  const { item } = bringIn(more.link ?? VIDEO, book)[0]!;
  const on = more.shortcode === undefined ? site : siteSchema.parse({ ...site, shortcode: more.shortcode });
  return makeEmbed(
    item!,
    { ...item!.settings, ...settings },
    { book, site: on, form, facts: { duration: 204, author: 'The mill' } },
  );
}
const code = (form: CodeFormId, settings: Settings, more = {}): string => embed(form, settings, more).code.text;

describe('forms for the editors that there are', () => {
  test('a wrapper keeps the ratio where CSS is old', () => {
    expect(code('padded', { title: 'Sluice', width: 400, widthMode: 'atMost', spaceAbove: 8 })).toBe(
      '<div style="width:100%;max-width:400px;margin-top:8px"><div style="position:relative;padding-top:56.25%">' +
        `<iframe src="${FRAME}" title="Sluice" style="border:0;position:absolute;top:0;left:0;width:100%;height:100%" allow="fullscreen" allowfullscreen></iframe></div></div>`,
    );
  });

  test('JSX has names and styles of its own, and one root', () => {
    expect(code('jsx', { className: 'film', title: '{a} "b"' })).toBe(
      `<iframe src="${FRAME}" title="&#123;a&#125; &quot;b&quot;" style={{ display: 'block', border: '0', width: '100%', aspectRatio: '16/9', height: 'auto' }} allow="fullscreen" allowFullScreen className="film"></iframe>`,
    );
    expect(code('jsx', { heading: 'Today' })).toMatch(/^<>\n<h2>Today<\/h2><iframe .*<\/iframe>\n<\/>$/);
  });

  test('Markdown escapes its own signs', () => {
    expect(code('markdown', { title: 'The [wheel] *turns*', start: 75 })).toBe(
      `[The \\[wheel\\] \\*turns\\*](${VIDEO}?at=1m15s)`,
    );
    expect(code('markdown', { title: 'Wheel', cover: 'https://mill.example/a(1).webp' })).toBe(
      `[![Wheel](https://mill.example/a%281%29.webp)](${VIDEO})`,
    );
    expect(code('markdown', {})).toBe(`<${VIDEO}>`);
  });

  test('a short code follows the template of the site, and no value breaks out of it', () => {
    const shortcode = '[film src="{{frame}}" w={{width}} say="{{{title}}}"{{#start}} from={{start}}{{/start}}]';
    expect(code('shortcode', { title: 'a" ]<b>', start: 42 }, { shortcode })).toBe(
      `[film src="${FRAME}?from=42" w=720 say="a&#34; &#93;&#60;b&#62;" from=42]`,
    );
    expect(code('shortcode', {}, { shortcode: '[broken {{#open}}]' })).toBe('[broken {{#open}}]');
  });

  test('an oEmbed answer holds the responsive code', () => {
    const answer = JSON.parse(code('oembed', { title: 'Sluice' })) as Record<string, unknown>;
    expect(answer).toMatchObject({
      version: '1.0',
      type: 'video',
      title: 'Sluice',
      width: 720,
      height: 405,
      author_name: 'The mill',
    });
    expect(answer.html).toBe(code('responsive', { title: 'Sluice' }));
  });

  test('structured data says what is known, and cannot end its element', () => {
    const written = code('jsonld', { title: '</script><b>' });
    expect(written).not.toContain('<b>');
    const data = JSON.parse(written.replace(/^<script[^>]*>|<\/script>$/g, '')) as Record<string, unknown>;
    expect(data).toMatchObject({
      '@type': 'VideoObject',
      name: '</script><b>',
      duration: 'PT3M24S',
      embedUrl: FRAME,
      inLanguage: 'en',
    });
  });
});

describe('covers', () => {
  test('nothing but the cover stands in the frame, and its link begins the player', () => {
    const { code: made, plan } = embed('cover', { title: 'Sluice', cover: COVER, coverWords: 'Watch', start: 42 });
    expect(made.text).toContain(`src="${FRAME}?from=42" srcdoc="`);
    expect(made.text).toContain(`&lt;a href=&quot;${FRAME}?auto=1&amp;amp;from=42&quot;&gt;`);
    expect(made.text).toContain(`allow="autoplay ${new URL(FRAME).origin}; fullscreen ${new URL(FRAME).origin}"`);
    expect(plan.entries.filter((e) => e.state !== 'done here' && e.state !== 'sent')).toEqual([]);
  });

  test('forms without a cover say that they lack it', () => {
    const { plan, code: made } = embed('responsive', { load: 'ask', cover: COVER });
    expect(plan.entries.map((e) => [e.setting, e.state, e.reason.code])).toEqual([
      ['load', 'not offered', 'formLacks'],
      ['cover', 'not offered', 'formLacks'],
    ]);
    expect(made.text).toBe(code('responsive', {}));
  });

  test('a file of the site’s own needs none', () =>
    expect(code('cover', {}, { link: 'https://mill.example/wheel.mp4' })).toMatch(
      /^<video src="https:\/\/mill\.example\/wheel\.mp4"/,
    ));

  test('a cover is read back as it was written', () => {
    const colour = fc.stringMatching(/^#[0-9a-f]{6}$/);
    const page: fc.Arbitrary<CoverPage> = fc.record({
      language: fc.constant('en'),
      title: text,
      href: fc.webUrl({ withQueryParameters: true }),
      picture: fc.constantFrom(null, COVER, 'https://mill.example/a.webp?b=1&c=2'),
      words: text,
      consent: fc.option(text),
      colours: fc.record({ text: colour, ground: colour, accent: colour }),
    });
    fc.assert(
      fc.property(page, (written) => {
        const { picture, words, consent } = written;
        expect(readCoverPage(writeCoverPage(written))).toEqual({ picture, words, consent });
      }),
    );
    expect(readCoverPage('<!doctype html><title>Another</title>')).toBeNull();
  });
});

describe('what stands around', () => {
  test('heading, text, caption, link and transcript, in order', () => {
    const around = { heading: 'H', text: 'T', caption: 'C', textLink: 'L', transcript: 'One.\n\nTwo.' };
    const frame = code('responsive', {});
    expect(code('responsive', around)).toBe(
      `<h2>H</h2><p>T</p><figure style="margin:0">${frame}<figcaption>C</figcaption></figure><p><a href="${VIDEO}">L</a></p>` +
        '<details><summary>Transcript</summary><p>One.</p><p>Two.</p></details>',
    );
  });

  test('side by side, and one below the other where there is no room', () => {
    const made = code('fixed', { heading: 'H', beside: 'on' });
    expect(made).toMatch(
      /^<div style="display:flex;flex-wrap:wrap;gap:24px"><div style="flex:1 1 240px;min-width:0"><h2>H<\/h2><\/div><div/,
    );
    expect(code('fixed', { beside: 'on' })).toBe(code('fixed', {}));
  });
});
