import { settingOf, type SettingId } from '../core/known/settings/list.ts';
import type { SettingsFix } from '../core/model/plan.ts';
import { writeValue, type SettingValue } from '../core/model/values.ts';
import { labelOf } from './labels.ts';
import { shortened } from './shortened.ts';
import { showList, t, within } from './t.ts';

/** A value that was given for a setting and does not fit it. */
export function sayWrongValue(id: SettingId, text: string): string {
  const { value } = settingOf(id);
  return t('{label} takes {value}, not “{text}”.', {
    label: labelOf(id),
    value: TYPE_WORDS[value.type](value as never),
    text: text.slice(0, 60),
  });
}

const TYPE_WORDS = {
  switch: () => t('on or off'),
  choice: ({ options }: { options: readonly string[] }) => showList(options, 'disjunction'),
  time: () => t('a time such as 42, 1:12 or 1m12s'),
  count: ({ least }: { least: number }) => t('a whole number from {least}', { least }),
  length: ({ least, most }: { least: number; most: number }) => t('whole pixels from {least} to {most}', { least, most }),
  colour: () => t('a colour such as #2f6f7e'),
  ratio: () => t('a ratio such as 16:9'),
  language: () => t('a language code such as en'),
  text: ({ longest }: { longest: number }) => t('up to {longest} characters', { longest }),
  picture: () => t('the address of a picture, or a picture file'),
  set: ({ options }: { options: readonly string[] }) => t('some of {options}', { options: options.join(', ') }),
  name: () => t('a word of letters, digits, - and _'),
  names: () => t('words of letters, digits, - and _, with spaces between'),
  features: ({ longest }: { longest: number }) =>
    t('features such as camera; microphone, up to {longest} characters', { longest }),
};

/** A setting as a short sentence, as it stands on the Bench; the first of each pair is for a setting left to the host. */
type Phrase = (value: string) => string;
const PHRASES: Record<SettingId, readonly [untouched: string, asked: Phrase]> = {
  tracking: [t('tracking as usual'), (v) => (v === 'reduced' ? t('tracks less') : t('tracking as usual'))],
  accent: [t('usual colour'), (v) => t('accent {v}', { v })],
  language: [t('language as usual'), (v) => t('speaks {v}', { v })],
  theme: [t('usual theme'), (v) => ({ light: t('light theme'), dark: t('dark theme'), page: t('theme of the page') })[v] ?? v],
  showTitle: [t('title as usual'), (v) => (v === 'on' ? t('title shown') : t('no title'))],
  showAuthor: [t('author as usual'), (v) => (v === 'on' ? t('author shown') : t('no author'))],
  shownName: [t('usual name'), (v) => t('named “{v}”', { v })],
  header: [t('header as usual'), (v) => (v === 'on' ? t('with a header') : t('no header'))],
  footer: [t('footer as usual'), (v) => (v === 'on' ? t('with a footer') : t('no footer'))],
  sizeStep: [t('usual picture size'), (v) => t('pictures {v} px wide', { v })],
  zoom: [t('usual zoom'), (v) => t('zoom {v}', { v })],
  marker: [t('usual mark'), (v) => t('marked “{v}”', { v })],
  mapStyle: [t('usual map'), (v) => (v === 'relief' ? t('hills shaded') : t('a plain map'))],
  panels: [t('usual panels'), (v) => t('with {v}', { v: v.replaceAll(',', ', ') })],
  domain: [t('page’s domain not sent'), (v) => t('on {v}', { v })],
  artwork: [t('artwork as usual'), (v) => (v === 'on' ? t('with artwork') : t('without artwork'))],
  density: [t('usual player'), (v) => (v === 'slim' ? t('a slim player') : t('a full player'))],
  autoplay: [t('waits for a press'), (v) => (v === 'on' ? t('starts by itself') : t('waits for a press'))],
  mute: [t('with sound'), (v) => (v === 'on' ? t('muted') : t('with sound'))],
  start: [t('from the start'), (v) => t('begins at {v}', { v })],
  page: [t('opens at page 1'), (v) => t('opens at page {v}', { v })],
  movement: [t('moves as usual'), (v) => (v === 'path' ? t('follows the path') : t('moves freely'))],
  interval: [t('turned by hand'), (v) => t('next after {v}', { v })],
  spread: [t('usual spread'), (v) => (v === 'single' ? t('one page at a time') : t('two pages side by side'))],
  cues: [t('page notes as usual'), (v) => (v === 'on' ? t('shows page notes') : t('no page notes'))],
  soundBed: [t('background sound as usual'), (v) => (v === 'on' ? t('with background sound') : t('no background sound'))],
  captions: [t('captions as usual'), (v) => t('captions in {v}', { v })],
  volume: [t('volume as usual'), (v) => t('volume {v} %', { v })],
  scroll: [t('scrolls as usual'), (v) => (v === 'on' ? t('turned by scrolling') : t('scrolling passes it by'))],
  fullscreen: [t('full screen as usual'), (v) => (v === 'on' ? t('can fill the screen') : t('no full screen'))],
  pictureInPicture: [t('small window as usual'), (v) => (v === 'on' ? t('can move to a small window') : t('no small window'))],
  download: [t('download as usual'), (v) => (v === 'on' ? t('can be downloaded') : t('no download'))],
  continue: [t('next as usual'), (v) => (v === 'on' ? t('then the next one') : t('stops after it'))],
  controls: [t('controls shown'), (v) => (v === 'on' ? t('controls shown') : t('no controls'))],
  end: [t('plays to the end'), (v) => t('ends at {v}', { v })],
  loop: [t('plays once'), (v) => (v === 'on' ? t('begins again') : t('plays once'))],
  related: [
    t('suggests anything'),
    (v) => ({ any: t('suggests anything'), same: t('suggests its own channel'), none: t('suggests nothing') })[v] ?? v,
  ],
  load: [
    t('loads with the page'),
    (v) => ({ all: t('loads with the page'), near: t('loads when near'), ask: t('loads on request') })[v] ?? v,
  ],
  cover: [
    t('a plain cover'),
    (v) => (v.startsWith('data:') ? t('cover of {v} kB', { v: Math.ceil((v.length * 3) / 4096) }) : t('a cover picture')),
  ],
  coverWords: [t('usual cover words'), (v) => t('cover says “{v}”', { v })],
  consent: [t('no cover sentence'), (v) => t('explains “{v}”', { v: shortened(v) })],
  heading: [t('no heading'), (v) => t('headed “{v}”', { v: shortened(v) })],
  text: [t('no text'), (v) => t('with the text “{v}”', { v: shortened(v) })],
  beside: [t('text above'), (v) => (v === 'on' ? t('text beside it') : t('text above'))],
  caption: [t('no caption'), (v) => t('captioned “{v}”', { v: shortened(v) })],
  textLink: [t('no link below'), (v) => t('linked below as “{v}”', { v: shortened(v) })],
  transcript: [t('no transcript'), (v) => t('with a transcript of {v} words', { v: v.split(/\s+/).length })],
  structuredData: [t('no structured data'), (v) => (v === 'on' ? t('with structured data') : t('no structured data'))],
  title: [t('no title'), (v) => t('titled “{v}”', { v })],
  widthMode: [
    t('usual width'),
    (v) => ({ fill: t('fills the column'), atMost: t('narrower on small screens'), fixed: t('one width') })[v] ?? v,
  ],
  width: [t('no width set'), (v) => t('{v} px wide', { v })],
  ratio: [t('its own ratio'), (v) => t('ratio {v}', { v })],
  height: [t('usual height'), (v) => t('{v} px high', { v })],
  align: [t('aligned left'), (v) => ({ start: t('aligned left'), centre: t('centred'), end: t('aligned right') })[v] ?? v],
  spaceAbove: [t('no space above'), (v) => t('{v} px above', { v })],
  spaceBelow: [t('no space below'), (v) => t('{v} px below', { v })],
  border: [t('no border'), (v) => t('border {v} px', { v })],
  radius: [t('square corners'), (v) => t('corners {v} px round', { v })],
  background: [t('no background'), (v) => t('background {v}', { v })],
  referrer: [
    t('referrer as usual'),
    (v) => ({ none: t('tells no referrer'), origin: t('tells its origin only'), usual: t('referrer as usual') })[v] ?? v,
  ],
  permissions: [t('usual permissions'), (v) => t('may use {v}', { v: shortened(v) })],
  sandbox: [t('no sandbox'), (v) => (v === '' ? t('sandbox: nothing allowed') : t('sandbox: {v}', { v }))],
  elementId: [t('no id'), (v) => t('id {v}', { v })],
  className: [t('no class'), (v) => t('class {v}', { v })],
};

export function saySetting(id: SettingId, value: SettingValue | undefined): string {
  const [untouched, asked] = PHRASES[id];
  return value === undefined ? untouched : asked(writeValue(settingOf(id).value, value));
}

/** A value of a setting with few of them, as it stands on its button. */
export function sayOption(id: SettingId, option: string): string {
  return OPTIONS[id]?.[option] ?? SWITCH[option] ?? option;
}

const SWITCH: Readonly<Record<string, string>> = { on: t('on'), off: t('off') };

const OPTIONS: { readonly [Id in SettingId]?: Record<string, string> } = {
  widthMode: { fill: t('Fill the column'), atMost: t('At most'), fixed: t('Fixed') },
  align: { start: t('Left'), centre: t('Centre'), end: t('Right') },
  load: { all: t('With the page'), near: t('When near'), ask: t('On request') },
  related: { any: t('Anything'), same: t('Same channel'), none: t('Nothing') },
  tracking: { usual: t('As usual'), reduced: t('Reduced') },
  density: { full: t('Full'), slim: t('Slim') },
  theme: { light: t('Light'), dark: t('Dark'), page: t('As the page') },
  sizeStep: { 360: t('360 px'), 720: t('720 px'), 1080: t('1080 px'), 1620: t('1620 px') },
  mapStyle: { plain: t('Plain'), relief: t('Relief') },
  movement: { free: t('Free'), path: t('Fixed path') },
  spread: { single: t('One page'), double: t('Two pages') },
  referrer: { origin: t('Origin only'), none: t('Nothing'), usual: t('As usual') },
  panels: { transcript: t('Transcript'), topics: t('Topics'), people: t('People') },
};

/** What is changed, within a sentence. */
export const sayChanges = (changes: SettingsFix): string =>
  Object.entries(changes)
    .map(([id, value]) =>
      value === null ? t('drop {setting}', { setting: within(labelOf(id as SettingId)) }) : saySetting(id as SettingId, value),
    )
    .join(', ');

/** A fix as it stands on its button. */
export function sayFix(fix: SettingsFix): string {
  const words = sayChanges(fix);
  return words.charAt(0).toUpperCase() + words.slice(1);
}
