import { makeBook, type HostBook } from '../known/hosts/book.ts';
import type { HostCard } from '../known/hosts/card.ts';
import { needsNoHost, settingOf, type SettingId } from '../known/settings/list.ts';
import type { Parameter } from '../model/item.ts';
import { domainOf, splitUrl } from '../model/url.ts';
import type { SettingValue } from '../model/values.ts';
import { withBefore } from './before.ts';
import { buildCard, featuresIn, type Naming } from './build.ts';
import { addressDifferences, attributeDifferences, type Difference } from './differences.ts';
import { draftTargets, isSayable, type Draft, type DraftTarget } from './draft.ts';
import { sightsOf, unpack, type Evidence } from './evidence.ts';
import type { Example } from './examples.ts';
import { solve, withFixedOfOthers, type Pair, type Solved } from './forms.ts';
import { codedIn, observe, type Observation, type Seen, type Unexplained } from './observe.ts';
import { alike, framesAlone, ofOneHost, pairUp } from './pair.ts';
import { setOpenApart, type Open } from './open.ts';
import { placeInPath } from './path.ts';
import { isPlain, plainBeside } from './plain.ts';
import { reproduces } from './reproduce.ts';
import { factsOf, type Fact } from './facts.ts';
import { questionsOf, type Question } from './questions.ts';
import { learnSpelling } from './spell.ts';
import { learnSettings, type LearntSetting } from './settings.ts';

/** What was made of examples: a card, how sure each part of it is, what to ask, and what nobody can explain. */
export interface Learnt {
  /** Null where nothing could be made of the examples. */
  card: HostCard | null;
  facts: readonly Fact[];
  questions: readonly Question[];
  unexplained: readonly Unexplained[];
}

/** What the card is called, where nobody said it, and its day. */
export interface LearnOptions {
  name?: string | undefined;
  /** `2027-01-11`. */
  today: string;
  before?: HostCard | undefined;
}

/**
 * Works out the card of a host from links, codes and codes with settings. Pure; the order of the examples does not
 * matter. Every example is either what the card makes of it too, or is named as unexplained.
 */
export function learn(examples: readonly Example[], options: LearnOptions): Learnt {
  const { observations, unexplained } = observe(examples);
  const paired = pairUp(observations);
  const ofHost = ofOneHost(paired.pairs);
  const { pairs, open, solved, targets, inner } = understand(ofHost.pairs, observations);
  const asked = open.flatMap(({ pair }) => codedIn(pair.observation).map((example): Unexplained => ({ example, why: 'asked' })));
  const left = [...unexplained, ...paired.unexplained, ...ofHost.unexplained, ...asked];
  if (targets.length === 0)
    return {
      card: null,
      facts: [],
      questions: questionsOf(null, { observations, settings: [], targets: [], guessed: new Set(), open, inner: false }),
      unexplained: rest(observations, left),
    };
  const draft: Draft = {
    targets,
    packs: new Map(),
    origins: { reduced: new Set() },
    reads: readsOf(solved, observations),
    noise: noiseOf(solved, observations),
    asks: inner ? askedOrigins(ofHost.pairs, targets) : [],
  };
  const naming = namingOf(pairs, options);
  const plain = buildCard(draft, [], naming);
  if ('refused' in plain) return { card: null, facts: [], questions: [], unexplained: rest(observations, left, 'refused') };
  const taught = learnFrom(draft, { observations, book: makeBook([plain.card]), pairs });
  const built = buildCard(draft, taught.settings, naming);
  const { card, kept } = withBefore('card' in built ? built.card : plain.card, options.before);
  const settings = 'card' in built ? taught.settings : [];
  const book = makeBook([card]);
  const wrong = [...left, ...unreproduced(observations, book, { solved, told: left, inner, ...taught })];
  const told = [...wrong, ...besides(observations, ofHost.pairs)];
  return {
    card,
    facts: [
      ...factsOf(card, { draft, settings, told: wrong }),
      ...kept.map((id): Fact => ({ at: `/settings/${id}`, certainty: 'byHand', from: [] })),
    ],
    questions: questionsOf(card, { observations, settings, targets, guessed: taught.guessed, open, inner }),
    unexplained: told.sort((a, b) => a.example - b.example || (a.why < b.why ? -1 : 1)),
  };
}

/** What runs in the codes beside their embeds, and scripts that come from elsewhere: told, though the card makes the examples. */
function besides(observations: readonly Observation[], pairs: readonly Pair[]): Unexplained[] {
  const running = observations.flatMap((one) =>
    one.running.flatMap((part) => codedIn(one).map((example): Unexplained => ({ example, why: 'runsBesides', part }))),
  );
  const elsewhere = pairs.flatMap(({ link, observation }) => {
    const from = observation.placeholder && splitUrl(observation.placeholder.src);
    if (!from || domainOf(from.host) === domainOf(link.host)) return [];
    return codedIn(observation).map((example): Unexplained => ({ example, why: 'scriptElsewhere', part: from.host }));
  });
  return [...running, ...elsewhere];
}

interface Understood {
  pairs: readonly Pair[];
  open: readonly Open[];
  solved: readonly Solved[];
  targets: DraftTarget[];
  /** Whether frames hold something that is in none of the links. */
  inner: boolean;
}

/**
 * How frames are made of links. Where they hold something that is in none of them, each frame address stands for its
 * item itself: codes of the host can then be set, and its pages asked for their players.
 */
function understand(pairs: readonly Pair[], observations: readonly Observation[]): Understood {
  const tries = [pairs, ...(['path', 'whole'] as const).map((part) => framesAlone(observations, part))];
  for (const some of tries) {
    const apart = setOpenApart(some);
    const solved = withFixedOfOthers(alike(apart.pairs).flatMap((group) => solve(group)));
    const targets = draftTargets(solved).filter(isSayable);
    if (targets.length > 0) return { ...apart, solved, targets, inner: some !== pairs && pairs.length > 0 };
  }
  return { pairs, open: [], solved: [], targets: [], inner: false };
}

/** What the settings are, by the examples that have some. */
function learnFrom(
  draft: Draft,
  { observations, book, pairs }: { observations: readonly Observation[]; book: HostBook; pairs: readonly Pair[] },
): { settings: LearntSetting[]; against: readonly number[]; unseen: readonly number[]; guessed: ReadonlySet<string> } {
  // Those whose link and code were brought apart are known by both.
  const plain = pairs.map(({ observation }) => observation);
  const evidence = observations.filter((one) => !isPlain(one)).flatMap((one) => evidenceOf(one, plain, { book, draft }) ?? []);
  const { packs, guessed, traces } = unpack(evidence);
  for (const [id, pack] of packs) draft.packs.set(id, pack);
  const seen = sightsOf(traces);
  const sights = placeInPath(draft.targets, seen.sights, packs);
  for (const { main } of sights) if (main.in === 'origin') draft.origins.reduced.add(main.text!);
  const settings = learnSettings(sights, draft.targets);
  const unseen = seen.unseen.filter(({ setting }) => !needsNoHost(setting)).flatMap(({ from }) => from);
  return { unseen, settings, against: settings.flatMap(({ against }) => against), guessed };
}

function evidenceOf(
  one: Observation,
  all: readonly Observation[],
  { book, draft }: { book: HostBook; draft: Draft },
): Evidence | null {
  const beside = plainBeside(one, all, book);
  if (!beside || (!one.frame && !one.placeholder)) return null;
  const address = one.frame && beside.frame ? addressDifferences(beside.frame, one.frame) : [];
  if (!address) return null;
  const fixed = new Set([...(draft.targets.find(({ name }) => name === beside.target)?.frame.keys() ?? [])]);
  const attributes: Difference[] = one.frame
    ? attributeDifferences(beside.attributes, one.attributes, {
        in: 'frameAttribute',
        of: (name) => name.startsWith('data-'),
      })
    : attributeDifferences(beside.attributes, one.placeholder!.attributes, {
        in: 'attribute',
        of: (name) => !fixed.has(`attr:${name}`),
      });
  const given = featuresIn(beside.attributes);
  const features = beside.attributes.length > 0 ? featuresIn(one.attributes).filter((feature) => !given.includes(feature)) : [];
  return { from: one.from, target: beside.target, settings: one.settings, features, differences: [...address, ...attributes] };
}

/** Examples that the card does not make, each with why. */
function unreproduced(
  observations: readonly Observation[],
  book: HostBook,
  {
    solved,
    told,
    against,
    unseen,
    inner: asked,
  }: {
    inner: boolean;
    solved: readonly Solved[];
    told: readonly Unexplained[];
    against: readonly number[];
    unseen: readonly number[];
  },
): Unexplained[] {
  const known = new Set(told.map(({ example }) => example));
  const inner = new Map(
    solved.flatMap(({ pairs, inner: parts }) =>
      parts.length > 0 ? pairs.flatMap(({ observation }) => observation.from.map((i) => [i, parts[0]!] as const)) : [],
    ),
  );
  return observations.flatMap((one) => {
    const open = one.from.filter((i) => !known.has(i));
    const seen = !one.from.some((i) => unseen.includes(i));
    if (open.length === 0 || (seen && reproduces(one, book))) return [];
    return open.map((example): Unexplained => {
      const part = inner.get(example);
      if (part !== undefined) return { example, why: 'innerPart', part };
      if (asked && one.link) return { example, why: 'innerPart' };
      return {
        example,
        why: against.includes(example)
          ? 'otherwise'
          : isPlain(one)
            ? one.frame || one.placeholder
              ? 'otherwise'
              : 'alone'
            : 'notSeen',
      };
    });
  });
}

const rest = (
  observations: readonly Observation[],
  told: readonly Unexplained[],
  why: Unexplained['why'] = 'alone',
): Unexplained[] => {
  const known = new Set(told.map(({ example }) => example));
  return [
    ...told,
    ...observations.flatMap(({ from }) => from.filter((i) => !known.has(i)).map((example): Unexplained => ({ example, why }))),
  ].sort((a, b) => a.example - b.example);
};

/** Settings that stand in links too: parameters that no identifier needs, and that spell what was set. */
function readsOf(solved: readonly Solved[], observations: readonly Observation[]): Draft['reads'] {
  const used = new Set(solved.flatMap(({ link }) => [...link.keys()]));
  const reads = new Map<string, Draft['reads'][number]>();
  for (const { link, settings } of observations)
    for (const { in: place, name, value } of link ? [...link.query, ...fragmentOf(link)] : [])
      for (const [setting, asked] of Object.entries(settings) as [SettingId, SettingValue][]) {
        const learnt = used.has(`${place}:${name}`) ? null : learnSpelling(setting, [{ value: asked, text: value }]);
        if (learnt && learnt.spelling.form !== 'words' && isTime(setting) && !('before' in learnt.spelling) && !reads.has(name))
          reads.set(name, { in: place, name, setting, spelling: learnt.spelling });
      }
  return [...reads.values()];
}

const isTime = (id: SettingId): boolean => settingOf(id).value.type === 'time';

const fragmentOf = ({ fragment }: Seen): Parameter[] =>
  fragment.split('&').flatMap((raw) => {
    const at = raw.indexOf('=');
    return at < 1 ? [] : [{ in: 'fragment' as const, name: raw.slice(0, at), value: raw.slice(at + 1), raw }];
  });

/** As many as a card can name. */
const MOST_ASKED = 20;

/** Where the links are whose frames hold more than they do. */
function askedOrigins(pairs: readonly Pair[], targets: readonly DraftTarget[]): string[] {
  const frames = new Set(targets.map(({ origin }) => origin));
  const origins = [...new Set(pairs.map(({ link }) => link.origin))].filter((origin) => !frames.has(origin)).sort();
  const parentOf = (origin: string): string => origin.replace(/\/\/[^.]*\./, '//*.');
  // Several names of one parent are those of whoever made the items.
  const wide = origins.map((origin) =>
    origins.some((one) => one !== origin && parentOf(one) === parentOf(origin)) ? parentOf(origin) : origin,
  );
  return [...new Set(wide)].slice(0, MOST_ASKED);
}

/** Parameters of links of this host that no frame takes up. */
function noiseOf(solved: readonly Solved[], observations: readonly Observation[]): Set<string> {
  const used = new Set(solved.flatMap(({ link }) => [...link.keys()]));
  const domains = new Set(solved.flatMap(({ pairs }) => pairs.map(({ link }) => domainOf(link.origin))));
  const names = observations.flatMap(({ link }) => (link && domains.has(domainOf(link.origin)) ? link.query : []));
  return new Set(names.map(({ name }) => name).filter((name) => !used.has(`query:${name}`)));
}

function namingOf(pairs: readonly Pair[], { name, today, before }: LearnOptions): Naming {
  const domain = domainOf(pairs[0]!.link.origin);
  const own = domain.split('.')[0]!;
  const id =
    (before?.id ?? own)
      .replace(/[^\w-]/g, '-')
      .replace(/^[^A-Za-z]+/, '')
      .slice(0, 40) || 'host';
  return { id, name: name ?? before?.name ?? own.charAt(0).toUpperCase() + own.slice(1), updated: today };
}
