import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { checkPages } from '../../../messages/checkPages.ts';
import { sayFinding, sayRemedy } from '../../../messages/findings.ts';
import type { Facts } from '../../model/item.ts';
import type { RunningChoice } from '../../model/running.ts';
import { siblingsIn } from '../../model/sibling.ts';
import { siteSchema } from '../../model/site.ts';
import { bringIn, keepEmbed, makeEmbed } from '../../pipeline.ts';
import { SETTINGS, type Settings } from '../../known/settings/list.ts';
import { QUESTIONS } from '../../proof/playThrough/questions/list.ts';
import * as world from '../../../laws/world.ts';
import { FORMS, isCodeForm, type CodeFormId } from '../write/forms/list.ts';
import { withoutParameter } from './withoutParameter.ts';
import { CHECKS } from './checks/list.ts';

const VIDEO = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const SOUND = 'http://murmurfold.localhost:4600/quillmarsh-mill/the-mill-at-night';
const TITLED = { title: 'T' };
const { book, sites } = world;
const site = sites[0]!;

interface To {
  form?: CodeFormId;
  /** What is particular about the site. */
  at?: object;
  /** Whether the code is kept as it was pasted. */
  kept?: boolean;
  running?: RunningChoice;
}

function findings(
  link: string,
  settings: Settings,
  facts: Facts = {},
  { form = 'responsive', at = {}, kept = false, running = null }: To = {},
) {
  const all = bringIn(link, book);
  const { item, candidate } = all[0]!;
  const asked = { ...item!.settings, ...settings };
  const to = { book, site: siteSchema.parse({ ...site, ...at }), facts, running, siblings: siblingsIn(all)(all[0]!) };
  return (kept ? keepEmbed({ text: link, candidate }, item!, asked, to) : makeEmbed(item!, asked, { ...to, form })).findings;
}

/** The code, what it is found on, what is asked, and what its remedy says, which ends the trouble. */
const SIMPLE = [
  ['titleMissing', VIDEO, {}, 'Use “Sluice”'],
  ['autoplayUnmuted', VIDEO, { ...TITLED, autoplay: 'on' }, 'Start muted'],
  ['autoplayAudio', SOUND, { ...TITLED, autoplay: 'on' }, 'Wait for the visitor'],
  ['tooWide', VIDEO, { ...TITLED, width: 900, widthMode: 'fixed' }, 'Make it 720 px'],
  ['insecureFrame', '<iframe src="http://media.example/a"></iframe>', TITLED, 'Use https'],
  ['ratioDiffers', VIDEO, { ...TITLED, ratio: '4:3' }, 'Use 16:9'],
  ['endBeforeStart', VIDEO, { ...TITLED, start: 9, end: 5 }, 'Swap start and end'],
  ['unknownParameter', `${VIDEO}?glow=1`, TITLED, 'Drop glow'],
  ['autoplayNotAllowed', '<iframe src="https://media.example/a?autoplay=1"></iframe>', TITLED, 'Allow it'],
] as const;

describe('each check finds its trouble, and its remedy ends it', () => {
  test.each([
    ['responsive', { widthMode: 'atMost', width: 720, height: null, ratio: '16:9' }],
    ['fixed', { widthMode: 'fixed', width: 720, height: 405 }],
  ] as const)('a code of 1280 by 720 becomes a %s one that keeps its shape', (form, change) => {
    const wide = `<iframe width="1280" height="720" src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d"></iframe>`;
    const [finding] = findings(wide, { ...TITLED, widthMode: 'fixed' }, {}, { form });
    expect(finding).toMatchObject({ code: 'tooWide', remedy: { by: 'settings', change } });
  });

  test.each(SIMPLE)('%s', (code, link, settings, remedy) => {
    const [finding, ...others] = findings(link, settings, { title: 'Sluice' });
    expect(others).toEqual([]);
    expect(finding).toMatchObject({ code });
    expect(sayFinding(finding!).length).toBeGreaterThan(20);
    const fix = finding!.remedy!;
    expect(sayRemedy({ ...finding!, remedy: fix })).toBe(remedy);
    if (fix.by === 'settings') {
      const after = Object.fromEntries(Object.entries({ ...settings, ...fix.change }).filter(([, v]) => v !== null));
      expect(findings(link, after, { title: 'Sluice' })).toEqual([]);
    } else {
      const after =
        fix.by === 'text'
          ? link.replace(fix.replace, fix.with)
          : withoutParameter(link, [0, link.length], (fix as { drop: string }).drop);
      expect(findings(after, settings)).toEqual([]);
    }
  });
});

interface Case extends To {
  on: string;
  settings?: Settings;
  facts?: Facts;
  /** What its button says; absent where a person has to do it. */
  remedy?: string;
}
const BOOKLET = 'http://gatherfold.localhost:4600/read/AN1126';
const ALBUM = 'http://albumfen.localhost:4600/by/saltings-bakehouse/5550123/in/album-204118';
const LOOP = 'http://loopwick.localhost:4600/l/stone-turning-7stn4';
const PICTURED = { ...TITLED, cover: `data:image/webp;base64,${'UklG'.repeat(8)}` };
const COVERED = { ...PICTURED, consent: 'Loads from the host.' };

const framed = (title: string, asked = ''): string =>
  `<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?from=${title.charCodeAt(0)}${asked}" title="${title}"></iframe>\n`;
const scripted = (book: string): string =>
  `<div class="shelf" data-fold-book="${book}"></div>\n<script async src="http://gatherfold.localhost:4600/fold.js"></script>\n`;

/** One case for each check that needs more said; the remedy, where one press is enough, ends the trouble. */
const CASES: Readonly<Record<string, Case>> = {
  addressExpires: { on: '<iframe src="https://media.example/f/1?expires=1798675200&sig=a1"></iframe>', settings: TITLED },
  coverForm: { on: VIDEO, settings: { ...TITLED, load: 'ask' }, remedy: 'Take the code type with a cover' },
  coverFromHost: {
    on: VIDEO,
    settings: { ...COVERED, cover: 'http://lanternreel.localhost:4600/covers/a.webp' },
    form: 'cover',
    remedy: 'Choose another picture',
  },
  coverHeavy: {
    on: VIDEO,
    settings: { ...COVERED, cover: `data:image/jpeg;base64,${'/9j/'.repeat(60_000)}` },
    form: 'cover',
    remedy: 'Make it smaller',
  },
  coverShape: {
    on: VIDEO,
    settings: COVERED,
    facts: { coverRatio: 0.75 },
    form: 'cover',
    remedy: 'Cut it anew',
  },
  outTooEarly: { on: VIDEO, settings: TITLED, facts: { out: '2027-01-11', pageOut: '2027-01-08' }, remedy: 'Say so on a cover' },
  consentMissing: { on: VIDEO, settings: PICTURED, form: 'cover', remedy: 'Say it on the cover' },
  coverPlain: { on: VIDEO, settings: { ...TITLED, consent: 'Loads from the host.' }, form: 'cover', remedy: 'Choose a picture' },
  autoplayCovered: {
    on: VIDEO,
    settings: { ...COVERED, autoplay: 'on', mute: 'on' },
    form: 'cover',
    remedy: 'Leave it to the press',
  },
  noWayToStop: {
    on: VIDEO,
    settings: { ...TITLED, autoplay: 'on', mute: 'on', controls: 'off' },
    remedy: 'Show the controls',
  },
  muteAlone: { on: VIDEO, settings: { ...TITLED, mute: 'on' }, remedy: 'Let it sound' },
  startBeyondEnd: { on: VIDEO, settings: { ...TITLED, start: 300 }, facts: { duration: 204 }, remedy: 'Begin at the start' },
  endBeyondEnd: { on: VIDEO, settings: { ...TITLED, end: 300 }, facts: { duration: 204 }, remedy: 'Play to the end' },
  pageBeyondEnd: {
    on: 'http://foliobarn.localhost:4600/d/vst-4m2k9q/released',
    settings: { ...TITLED, page: 9, widthMode: 'atMost', width: 400 },
    facts: { pages: 6 },
    remedy: 'Open at page 6',
  },
  tallerThanScreen: { on: LOOP, settings: { ...TITLED, widthMode: 'fill' }, remedy: 'At most 600 px wide' },
  smallerThanUseful: {
    on: 'http://waymoss.localhost:4600/at/51.9,1.2,15z',
    settings: { ...TITLED, height: 60 },
    remedy: 'Make it 200 px high',
  },
  scrollsInside: {
    on: 'http://askmeadow.localhost:4600/ask/mill4d',
    settings: { ...TITLED, height: 500 },
    facts: { contentHeight: 733 },
    remedy: 'Make it 733 px high',
  },
  loadsAllAtOnce: { on: BOOKLET, settings: { ...TITLED, soundBed: 'on' }, remedy: 'Load when near' },
  sandboxBlocks: { on: VIDEO, settings: { ...TITLED, sandbox: 'allow-scripts' }, remedy: 'Allow what it needs' },
  permissionMissing: {
    on: '<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?auto=1&amp;hush=1" title="T" allow="fullscreen"></iframe>',
    kept: true,
    remedy: 'Allow it',
  },
  runsOwnCode: { on: `<iframe src="${VIDEO}" title="T" onload="count()"></iframe>`, remedy: 'Leave it out' },
  sharePageFramed: { on: 'https://media.example/a', settings: TITLED, remedy: 'Give a link instead' },
  obsoleteAttribute: { on: `<iframe src="${VIDEO}" title="T" scrolling="no"></iframe>` },
  saidTwice: { on: '<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?from=3&amp;from=9" title="T"></iframe>' },
  languageDiffers: { on: BOOKLET, settings: { ...TITLED, language: 'nl' }, remedy: 'Use en' },
  formNotKept: { on: VIDEO, settings: TITLED, at: { keeps: ['fixed'] }, remedy: 'Take a code type that it keeps' },
  strippedBySite: {
    on: VIDEO,
    settings: TITLED,
    at: { strips: { properties: ['aspect-ratio'] } },
    remedy: 'Take a code type that does without',
  },
  scriptStripped: { on: ALBUM, settings: { ...TITLED, textLink: 'T' }, at: { strips: { scripts: true } } },
  framePolicy: { on: VIDEO, settings: TITLED, at: { frames: ['https://media.example'] } },
  accentContrast: { on: SOUND, settings: { ...TITLED, accent: '#f4e9c8' }, remedy: 'Use Lichen' },
  sameTitle: { on: framed('T') + framed('T'), kept: true, remedy: 'Write another title' },
  manyAtOnce: { on: ['A', 'B', 'C', 'D', 'E'].map((title) => framed(title)).join(''), remedy: 'Load when near' },
  severalStart: { on: framed('A', '&auto=1&hush=1') + framed('B', '&auto=1&hush=1'), remedy: 'Wait for the visitor' },
  scriptTwice: { on: scripted('AN1126') + scripted('AN1127'), settings: TITLED, kept: true },
  linkForNobody: { on: ALBUM, settings: TITLED, remedy: 'Link as “T”' },
};

test('whatever else is set, one press ends what it is offered for', () => {
  const facts = fc.record(
    {
      title: fc.constant('T'),
      duration: fc.integer({ min: 1, max: 400 }),
      pages: fc.integer({ min: 1, max: 40 }),
      ratio: fc.constantFrom('16:9', '9:16', '1:1'),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(world.link, world.settings, world.form, fc.tuple(world.site, facts), (from, asked, as, [on, known]) => {
      const { item } = bringIn(from, book)[0]!;
      const make = (given: Settings, form: CodeFormId) =>
        makeEmbed(item!, given, { book, site: on, form, facts: known }).findings;
      const all: Settings = { ...item!.settings, ...asked };
      for (const { code, actual, remedy } of make(all, as)) {
        if (remedy?.by !== 'settings' && remedy?.by !== 'form') continue;
        const change = remedy.by === 'settings' ? remedy.change : {};
        const given = Object.fromEntries(Object.entries({ ...all, ...change }).filter(([, value]) => value !== null)) as Settings;
        const after = make(given, remedy.by === 'form' && isCodeForm(remedy.form) ? remedy.form : as);
        expect(after.filter((one) => one.code === code && one.actual === actual)).toEqual([]);
      }
    }),
    { numRuns: 250 },
  );
});

describe('each further check', () => {
  test.each(Object.entries(CASES))('%s', (code, { on, settings = {}, facts = {}, form = 'responsive', remedy, ...to }) => {
    const look = (asked: Settings, as: CodeFormId, text = on, running: RunningChoice = null) =>
      findings(text, asked, facts, { form: as, running, ...to });
    const found = look(settings, form).find((finding) => finding.code === code);
    expect(found, JSON.stringify(look(settings, form))).toBeDefined();
    expect(sayFinding(found!).length).toBeGreaterThan(20);
    expect(found!.remedy && sayRemedy({ ...found!, remedy: found!.remedy })).toBe(remedy);
    const fix = found!.remedy;
    const change = fix?.by === 'settings' ? fix.change : {};
    const after = Object.fromEntries(Object.entries({ ...settings, ...change }).filter(([, v]) => v !== null));
    const as = fix?.by === 'form' && isCodeForm(fix.form) ? fix.form : form;
    const text = fix?.by === 'text' ? on.replace(fix.replace, fix.with) : on;
    const running = fix?.by === 'running' ? fix.choice : null;
    const left = look(after, as, text, running).some((finding) => finding.code === code);
    expect(left).toBe(fix === undefined || fix.by === 'asking');
  });

  test('there is a case for every check', () => {
    const elsewhere = ['notReachable', 'reachedOddly', 'severalCards', 'hostCondition'];
    const simple = SIMPLE.map(([code]) => code);
    expect([...Object.keys(CASES), ...elsewhere, ...simple].sort()).toEqual(CHECKS.map(({ id }) => id).sort());
  });
});

test('the pages of the checks in docs are made of the checks', () => {
  for (const [name, text] of Object.entries(checkPages()))
    expect(readFileSync(join(import.meta.dirname, '../../../../docs/checks', name), 'utf8')).toBe(text);
});

describe('a check keeps quiet', () => {
  test.each([
    ['where all is well', VIDEO, { ...TITLED, autoplay: 'on', mute: 'on', start: 3, end: 9 }],
    ['about http on this machine', VIDEO, TITLED],
    ['about the shape of a recording', SOUND, { ...TITLED, height: 300 }],
    ['about autoplay that is off', SOUND, { ...TITLED, autoplay: 'off' }],
    [
      'about a number that is no moment',
      '<iframe src="https://media.example/f/1?exp=12&valid_until=soon" title="Sluice"></iframe>',
      {},
    ],
    ['about rounding', VIDEO, { ...TITLED, width: 561, widthMode: 'fixed', height: 315 }],
  ] as const)('%s', (_, link, settings) => expect(findings(link, settings)).toEqual([]));

  test('about the frame where only a link is taken', () =>
    expect(findings(VIDEO, { width: 900, widthMode: 'fixed' }, {}, { form: 'link' })).toEqual([]));
});

test('the most serious comes first', () => {
  expect(findings(`${VIDEO}?glow=1`, { autoplay: 'on', ratio: '4:3' }).map((f) => f.severity)).toEqual([
    'error',
    'warning',
    'warning',
    'note',
  ]);
});

describe('one rule, one file, by its name', () => {
  const filesOf = (folder: string): string[] =>
    readdirSync(join(import.meta.dirname, folder))
      .map((file) => file.replace('.ts', ''))
      .filter((name) => name !== 'list')
      .sort();
  test.each([
    ['checks', CHECKS],
    ['../../known/settings', SETTINGS],
    ['../write/forms', FORMS],
    ['../../proof/playThrough/questions', QUESTIONS],
  ] as const)('%s', (folder, list) => expect(list.map((rule) => rule.id).sort()).toEqual(filesOf(folder)));
});
