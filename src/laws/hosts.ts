import type { Example } from '../core/teach/examples.ts';
import type { SettingId } from '../core/known/settings/list.ts';
import type { SettingValue } from '../core/model/values.ts';

/** A host made up by chance, which answers as hosts do: with a code for a link and settings. */
export interface MadeHost {
  about: string;
  /** Attributes of the host's own in the code. */
  attributes: (item: MadeItem, settings?: Asked) => Record<string, string>;
  /** A link of a new item, in one of the host's forms. */
  item: () => MadeItem;
  link: (item: MadeItem, form?: number) => string;
  forms: number;
  code: (item: MadeItem, settings?: Asked) => string;
  frame: (item: MadeItem, settings?: Asked) => string;
  settings: readonly MadeSetting[];
  random: Random;
}

export type Asked = Readonly<Partial<Record<SettingId, SettingValue>>>;
type Random = () => number;

export interface MadeItem {
  id: string;
  key: string;
  words: string;
  maker: string;
  locale: string;
}

export interface MadeSetting {
  id: SettingId;
  /** A value of those that the host has a word for. */
  value: () => SettingValue;
  spell: (value: SettingValue) => string | undefined;
}

/** Numbers from 0 up to 1, the same for the same seed. */
export function chance(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const WORDS =
  'mill wheel stone bread flour sluice tide river grain oven yard barn lantern rope sail gate weir path loft bell'.split(' ');

export function makeHost(seed: number): MadeHost {
  const random = chance(seed);
  const below = (most: number): number => Math.floor(random() * most);
  const pick = <One>(all: readonly One[]): One => all[below(all.length)]!;
  const text = (alphabet: string, length: number): string => Array.from({ length }, () => pick([...alphabet])).join('');
  const lower = 'abcdefghijklmnopqrstuvwxyz0123456789';
  const mixed = `${lower}ABCDEFGHIJKLMNOPQRSTUVWXYZ`;

  const name = `${pick(['quill', 'ember', 'moor', 'fen', 'hollow', 'thatch', 'cairn', 'burrow'])}${pick(['cast', 'reel', 'fold', 'mere', 'gate', 'wick'])}${below(90)}`;
  const share = `https://${pick(['', '', 'www.', 'films.'])}${name}.example`;
  const frameOrigin = pick([
    share,
    `https://player.${name}.example`,
    `https://${name}-frames.example`,
    `https://embed.${name}.example`,
  ]);
  const shapes: readonly [string, () => string][] = [
    ['digits', () => String(100_000 + below(899_999_999))],
    ['small', () => text(lower, 8)],
    ['mixed', () => text(mixed, 11)],
    ['signs', () => text(mixed, 1) + text(`${mixed}-_`, 9) + text(mixed, 1)],
    ['uuid', () => [8, 4, 4, 4, 12].map((n) => text('0123456789abcdef', n)).join('-')],
    ['two lengths', () => (random() < 0.5 ? text(lower, 7) : text(mixed, 12))],
  ];
  const [shapeName, makeId] = pick(shapes);
  const noHyphen = shapeName !== 'signs' && shapeName !== 'uuid';
  const item = (): MadeItem => ({
    id: makeId(),
    key: text(lower, 10),
    words: Array.from({ length: 2 + below(3) }, () => pick(WORDS)).join('-'),
    maker: `${pick(WORDS)}${pick(['works', 'house', 'folk', ''])}${below(50)}`,
    locale: pick(['en', 'de', 'fr', 'nl', 'pl']),
  });

  const base = pick(['look', 'see', 'w', 'films', 'item', 'p', 'play', 'video', 'reel']);
  const named = pick(['n', 'no', 'number']);
  type Make = (item: MadeItem) => string;
  const linkForms: (readonly [string, Make])[] = [
    ['path', ({ id }) => `${share}/${base}/${id}`],
    ['short path', ({ id }) => `${share}/${id}`],
    ['query', ({ id }) => `${share}/${base}?${named}=${id}`],
    ['deep', ({ id }) => `${share}/media/${base}/${id}/view`],
    ['maker', ({ id, maker }) => `${share}/${maker}/${base}/${id}`],
    ['at maker', ({ id, maker }) => `${share}/@${maker}/${base}/${id}`],
    ['hash', ({ id }) => `${share}/#/${base}/${id}`],
    ['file', ({ id }) => `${share}/${base}/${id}.html`],
    ...(noHyphen
      ? ([
          ['words-id', ({ id, words }: MadeItem) => `${share}/${base}/${words}-${id}`],
          ['id-words', ({ id, words }: MadeItem) => `${share}/${base}/${id}-${words}`],
        ] as const)
      : []),
    ['id/words', ({ id, words }) => `${share}/${base}/${id}/${words}`],
    ['two', ({ id, key }) => `${share}/${base}/${id}/${key}`],
    ['short domain', ({ id }) => `https://${name.slice(0, 4)}.example/${id}`],
    ['locale', ({ id, locale }) => `${share}/${locale}/${base}/${id}`],
    ['locale domain', ({ id, locale }) => `https://${locale}.${name}.example/${base}/${id}`],
    ['maker domain', ({ id, maker }) => `https://${maker}.${name}.example/${base}/${id}`],
    ['parameter among others', ({ id }) => `${share}/${base}?order=all&item=${id}`],
    ['with a kind of file', ({ id }) => `${share}/${base}.php?id=${id}`],
  ];
  const [formName, firstForm] = pick(linkForms);
  const two = formName === 'two';
  const second = pick(
    linkForms.filter(
      ([form]) => form !== formName && form !== 'two' && form !== 'short path' && !(form.includes('-') && formName.includes('-')),
    ),
  );
  const makes = two || random() < 0.5 ? [firstForm] : [firstForm, second[1]];
  const noise = random() < 0.25;

  const constant = random() < 0.25 ? { [pick(['api', 'origin', 'v', 'via'])]: pick(['1', 'share', '3']) } : {};
  const keyed = (key: string): Record<string, string> => (two ? { k: key } : {});
  const frameForms: (readonly [
    string,
    (item: MadeItem) => { path: string; query: Record<string, string>; fragment?: string },
  ])[] = [
    ['path', ({ id, key }) => ({ path: `/embed/${id}${two ? `/${key}` : ''}`, query: {} })],
    ['short', ({ id, key }) => ({ path: `/${id}`, query: keyed(key) })],
    ['query', ({ id, key }) => ({ path: '/player', query: { id, ...(two && { key }) } })],
    ['file', ({ id, key }) => ({ path: `/frame/${id}.html`, query: keyed(key) })],
    ['deep', ({ id, key }) => ({ path: `/${base}/${id}/frame`, query: keyed(key) })],
    ['in a fragment', ({ id, key }) => ({ path: '/player', query: keyed(key), fragment: `/${id}` })],
    ['prefix', ({ id, key }) => ({ path: `/e/${base}-${id}`, query: keyed(key) })],
    ...(formName !== 'hash' && makes.length === 1
      ? ([['whole', (one: MadeItem) => ({ path: '/player', query: { src: firstForm(one) } })]] as const)
      : []),
  ];
  const [frameName, frameForm] = pick(frameForms);

  const all = makeSettings({ random, below, pick, text });
  const style = pick([
    'query',
    'query',
    'query',
    'query',
    'fragment',
    'pairs',
    'json',
    'base64',
    'flags',
    'bare',
    'attributes',
    'letters',
    'places',
    'words in the path',
    'along',
    'index',
    'placeholder',
    'element',
  ]);
  // A list within a list cannot be told.
  const settings = style === 'pairs' ? all.filter(({ id }) => id !== 'panels') : all;
  const scripted = style === 'placeholder' || style === 'element';
  const place = makePlaces(settings, style, pick);

  const frame = (one: MadeItem, asked: Asked = {}): string => {
    const { path, query, fragment: own = '' } = frameForm(one);
    const parameters = Object.entries({ ...query, ...constant }).map(([key, value]) => `${key}=${encodeURIComponent(value)}`);
    const { path: inPath, query: more, fragment } = place(asked);
    const all = [...parameters, ...more];
    return `${frameOrigin}${path}${inPath}${all.length > 0 ? `?${all.join('&')}` : ''}${own || fragment ? `#${own}${own && fragment ? '&' : ''}${fragment}` : ''}`;
  };
  const attributes = (one: MadeItem, asked: Asked = {}): Record<string, string> => ({
    ...(scripted && { 'data-item': one.id, ...(two && { 'data-key': one.key }) }),
    ...place(asked).attributes,
  });
  const size = pick(['width="560" height="315"', 'width="100%" height="400"', 'style="width:100%;aspect-ratio:16/9;border:0"']);
  return {
    about: [
      shapeName,
      formName,
      makes.length > 1 ? second[0] : '',
      frameName,
      style,
      noise ? 'noise' : '',
      Object.keys(constant).join(),
    ].join(' | '),
    random,
    item,
    forms: makes.length,
    link: (one, form = below(makes.length)) => {
      const link = makes[form]!(one);
      return noise && random() < 0.7 && !link.includes('#')
        ? `${link}${link.includes('?') ? '&' : '?'}from_note=${text(lower, 6)}`
        : link;
    },
    frame: (one, asked) => (scripted ? '' : frame(one, asked)),
    attributes,
    code: (one, asked) => {
      const own = Object.entries(attributes(one, asked))
        .map(([key, value]) => ` ${key}="${value}"`)
        .join('');
      const element = style === 'element' ? `${name.replace(/\d/g, '')}-player` : 'div';
      return scripted
        ? `<${element}${own}></${element}>\n<script async src="${frameOrigin}/load.js"></script>`
        : `<iframe src="${frame(one, asked).replaceAll('&', '&amp;')}" ${size}${own} allowfullscreen></iframe>`;
    },
    settings,
  };
}

interface Tools {
  random: Random;
  below: (most: number) => number;
  pick: <One>(all: readonly One[]) => One;
  text: (alphabet: string, length: number) => string;
}

const TIMES: readonly ((seconds: number) => string)[] = [
  (s) => String(s),
  (s) => String(s * 1000),
  (s) => `${s}s`,
  (s) => `${Math.floor(s / 60)}m${s % 60}s`,
  (s) => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`,
  (s) => `00:${String(Math.floor(s / 60)).padStart(2, '0')}:${String(s % 60).padStart(2, '0')}`,
  (s) => `${String(Math.floor(s / 60)).padStart(2, '0')}:${String(s % 60).padStart(2, '0')}`,
  (s) => `PT${Math.floor(s / 60)}M${s % 60}S`,
  (s) => String(s * 25),
];
const channels = (hex: string): number[] => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
const COLOURS: readonly ((hex: string) => string)[] = [
  (hex) => hex.slice(1),
  (hex) => hex,
  (hex) => hex.slice(1).toUpperCase(),
  (hex) => `rgb(${channels(hex).join(',')})`,
  (hex) => `0x${hex.slice(1)}`,
];
const PAIRS: readonly (readonly [string, string])[] = [
  ['1', '0'],
  ['true', 'false'],
  ['yes', 'no'],
  ['on', 'off'],
  ['Y', 'N'],
  ['True', 'False'],
];

/** Some settings, each with a way of its own. Seconds are never even minutes, which would hide how they are told. */
function makeSettings({ random, below, pick, text }: Tools): MadeSetting[] {
  const pair = pick(PAIRS);
  const time = pick(TIMES);
  const colour = pick(COLOURS);
  const flip = (): SettingValue => (random() < 0.5 ? 'on' : 'off');
  const seconds = (): number => (1 + below(9)) * 60 + 1 + below(58);
  const onOff = (id: SettingId, inverted = random() < 0.2): MadeSetting => ({
    id,
    value: flip,
    spell: (value) => ((value === 'on') !== inverted ? pair[0] : pair[1]),
  });
  const volume = random() < 0.5;
  const themes = pick([
    ['light', 'dark'],
    ['day', 'night'],
    ['white', 'black'],
    ['l', 'd'],
  ]);
  const all: MadeSetting[] = [
    onOff('autoplay'),
    onOff('mute'),
    onOff('loop'),
    onOff('controls'),
    onOff('showTitle'),
    { id: 'start', value: seconds, spell: (value) => time(Number(value)) },
    { id: 'end', value: seconds, spell: (value) => time(Number(value)) },
    {
      id: 'accent',
      value: () => `#${text('0123456789', 2)}${text('abcdef', 2)}${text('0123456789abcdef', 2)}`,
      spell: (value) => colour(String(value)),
    },
    { id: 'volume', value: () => 11 + below(80), spell: (value) => (volume ? String(Number(value) / 100) : String(value)) },
    { id: 'theme', value: () => pick(['light', 'dark']), spell: (value) => themes[value === 'light' ? 0 : 1] },
    { id: 'captions', value: () => pick(['en', 'de', 'fr', 'nl']), spell: String },
    { id: 'panels', value: () => pick(['transcript,topics', 'transcript,people', 'topics,people']), spell: String },
    { id: 'related', value: () => pick(['any', 'none']), spell: (value) => (value === 'any' ? '1' : '0') },
  ];
  return all.filter(() => random() < 0.6);
}

type Placed = (asked: Asked) => { path: string; query: string[]; fragment: string; attributes?: Record<string, string> };

/** Where the settings stand: in parameters of their own, all in one, in the path or behind the #. */
function makePlaces(settings: readonly MadeSetting[], style: string, pick: Tools['pick']): Placed {
  const names = new Map(settings.map(({ id }) => [id, nameOf(id, pick)]));
  const separator = pick([',', ';', '|']);
  const given = (asked: Asked): { id: SettingId; name: string; text: string }[] =>
    settings.flatMap(({ id, spell }) => {
      const value = asked[id];
      const text = value === undefined ? undefined : spell(value);
      return text === undefined ? [] : [{ id, name: names.get(id)!, text }];
    });
  const nothing = { path: '', query: [] as string[], fragment: '' };
  const query = (asked: Asked): string[] => given(asked).map(({ name, text }) => `${name}=${encodeURIComponent(text)}`);
  const json = (asked: Asked): string =>
    JSON.stringify(
      Object.fromEntries(
        given(asked).map(({ name, text }) => [name, /^\d+$|^true$|^false$/.test(text) ? (JSON.parse(text) as unknown) : text]),
      ),
    );
  const styles: Record<string, Placed> = {
    query: (asked) => ({ ...nothing, query: query(asked) }),
    fragment: (asked) => ({ ...nothing, fragment: query(asked).join('&') }),
    pairs: (asked) => {
      const all = given(asked).map(({ name, text }) => `${name}:${text}`);
      return { ...nothing, query: all.length > 0 ? [`opts=${encodeURIComponent(all.join(separator))}`] : [] };
    },
    json: (asked) => ({ ...nothing, query: given(asked).length > 0 ? [`cfg=${encodeURIComponent(json(asked))}`] : [] }),
    base64: (asked) => ({
      ...nothing,
      query: given(asked).length > 0 ? [`cfg=${Buffer.from(json(asked)).toString('base64url')}`] : [],
    }),
    flags: (asked) => {
      const on = given(asked).filter(({ id }) => asked[id] === 'on');
      const others = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== 'on' && value !== 'off'));
      return { path: on.length > 0 ? `/${on.map(({ name }) => name).join(',')}` : '', query: query(others), fragment: '' };
    },
    attributes: (asked) => ({
      ...nothing,
      attributes: Object.fromEntries(given(asked).map(({ name, text }) => [`data-${name.replaceAll('_', '-')}`, text])),
    }),
    letters: (asked) => {
      const on = given(asked).filter(({ id }) => asked[id] === 'on');
      const letters = on
        .map(({ id }) => 'amlcs'.charAt(['autoplay', 'mute', 'loop', 'controls', 'showTitle'].indexOf(id)))
        .join('');
      const others = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== 'on' && value !== 'off'));
      return { ...nothing, query: [...(letters ? [`f=${letters}`] : []), ...query(others)] };
    },
    places: (asked) => {
      const { start, end, ...others } = asked;
      const [from = '', to = ''] = [start, end].map((at) => (at === undefined ? '' : String(at)));
      const range = to === '' ? from : `${from},${to}`;
      return { ...nothing, query: [...(range ? [`t=${range}`] : []), ...query(others)] };
    },
    'words in the path': (asked) => {
      const { theme, ...others } = asked;
      return { ...nothing, path: theme === undefined ? '' : `/${String(theme)}`, query: query(others) };
    },
    along: (asked) => ({
      ...nothing,
      query: given(asked).flatMap(({ id, name, text }) => [
        `${name}=${encodeURIComponent(text)}`,
        ...(id === 'mute' ? ['level=0'] : id === 'accent' ? ['style=own', 'version=2'] : []),
      ]),
    }),
    index: (asked) => ({
      ...nothing,
      query: given(asked).flatMap(({ id, name, text }) =>
        id === 'panels' ? text.split(',').map((one, i) => `${name}[${i}]=${one}`) : [`${name}=${encodeURIComponent(text)}`],
      ),
    }),
    bare: (asked) => {
      const parts = given(asked).flatMap(({ id, name, text }) =>
        asked[id] === 'on' ? [name] : asked[id] === 'off' ? [] : [`${name}=${encodeURIComponent(text)}`],
      );
      return { ...nothing, query: parts };
    },
  };
  styles.placeholder = styles.attributes!;
  styles.element = styles.attributes!;
  return styles[style]!;
}

const NAMES: Partial<Record<SettingId, readonly string[]>> = {
  autoplay: ['auto', 'ap', 'run', 'begin'],
  mute: ['hush', 'quiet', 'm', 'silent'],
  loop: ['again', 'repeat', 'l', 'round'],
  controls: ['bars', 'ctl', 'buttons'],
  showTitle: ['heading', 'ttl', 'name'],
  start: ['t', 'from', 'begin_at', 's'],
  end: ['until', 'to', 'stop'],
  accent: ['tint', 'colour', 'col'],
  volume: ['vol', 'loudness', 'v0'],
  theme: ['look', 'skin', 'mode'],
  captions: ['cc', 'sub', 'words'],
  related: ['more', 'others', 'next'],
  panels: ['show', 'panes'],
};
const nameOf = (id: SettingId, pick: Tools['pick']): string => pick(NAMES[id] ?? [id]);

/** Whether a host says the value at all: where a flag is there or not, nothing stands for what is off. */
export const isSaid = (host: MadeHost, value: SettingValue): boolean => !/flags|bare|letters/.test(host.about) || value !== 'off';

function saidOf(host: MadeHost, { value }: Pick<MadeSetting, 'value'>): SettingValue {
  let said = value();
  while (!isSaid(host, said)) said = value();
  return said;
}

/** What a publisher brings: three items with their codes, and one example of each setting. */
export function examplesOf(host: MadeHost, items = 3): Example[] {
  const made = Array.from({ length: items }, host.item);
  const plain = made.flatMap((item) =>
    Array.from({ length: host.forms }, (_, form) => ({ link: host.link(item, form), code: host.code(item) })),
  );
  const withSettings = host.settings.map(({ id, value }): Example => {
    const settings = { [id]: saidOf(host, { value }) };
    return { link: host.link(made[0]!, 0), code: host.code(made[0]!, settings), settings };
  });
  // What stands between several in one is seen where there are several.
  const able = /flags|letters/.test(host.about)
    ? host.settings.filter(({ value }) => ['on', 'off'].includes(String(value())))
    : host.settings;
  const [a, b] = able.slice(-2);
  const together: Example[] = [];
  if (/pairs|flags|letters/.test(host.about) && a && b) {
    const settings = { [a.id]: saidOf(host, a), [b.id]: saidOf(host, b) };
    together.push({ link: host.link(made[0]!, 0), code: host.code(made[0]!, settings), settings });
  }
  return [...plain, ...withSettings, ...together];
}
