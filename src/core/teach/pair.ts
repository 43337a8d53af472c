import { isUsualWord, placesOf } from './compose.ts';
import type { Pair } from './forms.ts';
import { domainOf } from '../model/url.ts';
import { isPlain } from './plain.ts';
import type { Observation, Seen, Unexplained } from './observe.ts';

/** The parts of what the host made: of the frame address, or of the placeholder. */
function madePlaces({ frame, placeholder }: Observation): Map<string, string> {
  if (frame) return placesOf(frame);
  return new Map(
    (placeholder?.attributes ?? []).flatMap(({ name, value }) =>
      name === 'class' || value ? [[`attr:${name}`, value ?? '']] : [],
    ),
  );
}

/** Links with the code of the same item: brought together, or known by what they share. */
export function pairUp(observations: readonly Observation[]): { pairs: Pair[]; unexplained: Unexplained[] } {
  const plain = observations.filter(isPlain);
  const pairs: Pair[] = [];
  const unexplained: Unexplained[] = [];
  for (const one of plain)
    if (one.link && (one.frame || one.placeholder)) {
      if (shares(one.link, madePlaces(one)) || (one.frame && sameHost(one.link, one.frame)))
        pairs.push({ observation: one, link: one.link, places: madePlaces(one) });
      else one.from.forEach((example) => unexplained.push({ example, why: 'nothingShared' }));
    }
  const paired = new Set(pairs.map(({ observation }) => observation));
  const links = plain.filter((one) => one.link && !one.frame && !one.placeholder);
  const codes = plain.filter((one) => !one.link && (one.frame || one.placeholder) && !paired.has(one));
  const together = [...paired];
  const apart = pairs.length === 0;
  for (const code of codes) {
    const places = madePlaces(code);
    const shared = [links, together].map((some) => some.filter((one) => shares(one.link!, places)));
    const found = shared.find((some) => some.length > 0) ?? [];
    // One link with codes of the same host can only be meant to go with them.
    const only = apart && links.length === 1 && code.frame && sameHost(links[0]!.link!, code.frame) ? links : [];
    // Several links of one item are as good as one.
    const one = new Set(found.map(({ frame }, i) => frame?.address ?? String(i))).size === 1;
    const [other] = one ? found : only;
    if (!other) continue;
    const from = [...code.from, ...other.from].sort((a, b) => a - b);
    const observation = { ...code, from, coded: code.from, link: other.link, kind: code.kind ?? other.kind };
    pairs.push({ observation, link: other.link!, places });
  }
  return { pairs: pairs.length > 0 ? pairs : withoutSettings(observations), unexplained };
}

/** Where there is no plain code: what the codes with settings have that is of the link, or that all of them have. */
function withoutSettings(observations: readonly Observation[]): Pair[] {
  const all = observations.filter((one) => one.link && one.frame && !isPlain(one));
  const made = all.map(madePlaces);
  return all.flatMap((observation, i): Pair[] => {
    const link = observation.link!;
    const kept = [...made[i]!].filter(([place, text]) => {
      if (!place.startsWith('query:')) return place !== 'fragment' || carriersOf(link, new Map([[place, text]]), 2).length > 0;
      const everywhere = all.length > 1 && made.every((places) => places.get(place) === text);
      return everywhere || carriersOf(link, new Map([[place, text]]), 2).length > 0;
    });
    return carriersOf(link, new Map(kept), 2).length > 0 ? [{ observation, link, places: new Map(kept) }] : [];
  });
}

const sameHost = (a: Seen, b: Seen): boolean => domainOf(a.origin) === domainOf(b.origin);

/** Whether a text that hardly stands in two addresses by chance stands in both. */
const shares = (link: Seen, made: ReadonlyMap<string, string>): boolean => carriersOf(link, made, 2).length > 0;

/** Where a piece stands in its part of the link. */
function whereIn(text: string, piece: string): string {
  if (text === piece) return 'whole';
  return text.startsWith(piece) ? 'first' : text.endsWith(piece) ? 'last' : 'within';
}

/** The parts of a link that hold something that stands in the code too. */
function carriersOf(link: Seen, made: ReadonlyMap<string, string>, shortest: number): string[] {
  const texts = [...made].filter(([place]) => place !== 'sub').map(([, text]) => text);
  return [...placesOf(link)].flatMap(([place, text]) => {
    const telling = [text, ...text.split(/[^\p{L}\p{N}]+/u)].filter((one) => one.length >= shortest && !isUsualWord(one));
    const found = place === 'sub' ? undefined : telling.find((one) => texts.some((held) => held.includes(one)));
    return found === undefined ? [] : [`${place} ${whereIn(text, found)}`];
  });
}

/** Of pairs of several hosts those of the one with most; the others are told. */
export function ofOneHost(pairs: readonly Pair[]): { pairs: Pair[]; unexplained: Unexplained[] } {
  const families: { domains: Set<string>; pairs: Pair[] }[] = [];
  for (const pair of pairs) {
    const { frame, placeholder } = pair.observation;
    const made = [frame?.origin, placeholder?.src.split('/').slice(0, 3).join('/')].filter((origin) => origin !== undefined);
    const domains = [pair.link.origin, ...made].map(domainOf);
    const mine = families.filter((family) => domains.some((domain) => family.domains.has(domain)));
    const joined = {
      domains: new Set([...domains, ...mine.flatMap((family) => [...family.domains])]),
      pairs: [...mine.flatMap((one) => one.pairs), pair],
    };
    for (const one of mine) families.splice(families.indexOf(one), 1);
    families.push(joined);
  }
  families.sort((a, b) => b.pairs.length - a.pairs.length || ([...a.domains].sort()[0]! < [...b.domains].sort()[0]! ? -1 : 1));
  const [first, ...others] = families;
  const unexplained = others.flatMap((family) =>
    family.pairs.flatMap(({ observation }) => observation.from.map((example): Unexplained => ({ example, why: 'otherHost' }))),
  );
  const kept = new Set(first?.pairs);
  return { pairs: pairs.filter((pair) => kept.has(pair)), unexplained };
}

/** Frames that stand for themselves: by their path, or with all parameters. One host's alone. */
export function framesAlone(observations: readonly Observation[], by: 'path' | 'whole'): Pair[] {
  const framed = observations.filter((one) => isPlain(one) && one.frame);
  const all = framed.map((observation): Pair => {
    const frame = observation.frame!;
    const link = by === 'whole' ? frame : { ...frame, address: frame.address.replace(/[?#].*$/s, ''), query: [], fragment: '' };
    return { observation, link, places: placesOf(frame) };
  });
  return ofOneHost(all).pairs;
}

/** Pairs whose addresses are built alike, in as many parts with the same parameters. */
export function alike(pairs: readonly Pair[]): Pair[][] {
  const groups = new Map<string, Pair[]>();
  for (const pair of pairs) {
    const { link, places, observation } = pair;
    const key = JSON.stringify([
      domainOf(link.origin),
      link.host.split('.').length,
      link.path.length,
      link.fragment.startsWith('/') ? link.fragment.split('/').length : 0,
      observation.frame && domainOf(observation.frame.origin),
      [...places.keys()].sort(),
      carriersOf(link, places, 4),
      observation.placeholder?.src,
    ]);
    groups.set(key, [...(groups.get(key) ?? []), pair]);
  }
  return [...groups.values()];
}
