import type { HostCard } from '../../core/known/hosts/card.ts';
import type { Settings } from '../../core/known/settings/list.ts';
import { bringIn, makeEmbed, type Embed } from '../../core/pipeline.ts';
import type { Reached } from '../../core/proof/reach/reached.ts';
import type { ProofRow } from '../../core/proof/playThrough/proof.ts';
import { proveLinks, type CardProof, type ProvedLink } from '../../core/teach/prove.ts';
import { USUAL_FORM } from '../../core/steps/write/forms/list.ts';
import { looksOf } from '../preview.ts';
import { selectBook, selectSite } from '../state/selectors.ts';
import type { Store } from '../state/store.ts';
import { ONCE, server } from '../state/server.ts';
import { findLesson, saveProved } from '../storage/own.ts';
import { playEmbed } from './play.ts';

/** How far a card's proof is. */
export type ProvingStep = { doing: 'asking'; done: number; all: number } | { doing: 'playing'; link: string };

/** Everything that a player can tell by itself, asked for at once. */
const ASKED: Settings = {
  autoplay: 'on',
  mute: 'on',
  start: 5,
  controls: 'off',
  showTitle: 'off',
  related: 'none',
  page: 2,
  interval: 3,
};

interface Proving {
  card: HostCard;
  /** Element that the pages are put into in which its players are played through. */
  holder: HTMLElement;
  step: (step: ProvingStep) => void;
  signal: AbortSignal;
}

/** Runs a card's examples, asks for their frames, plays one of each target through where its player reports, and keeps it. */
export async function proveCard(store: Store, { card, holder, step, signal }: Proving): Promise<CardProof> {
  const { examples } = await findLesson(card.id).catch(() => ({ examples: [] }));
  const site = selectSite(store.getState());
  const links = await withReached(store, proveLinks(card, examples, site), { step, signal });
  const played: CardProof['played'] = {};
  for (const [target, embed] of embedsOf(store, card)) {
    step({ doing: 'playing', link: embed.item.canonical });
    played[target] = await play(store, { card, embed, holder, signal });
  }
  signal.throwIfAborted();
  const proof: CardProof = { id: card.id, date: Date.now(), links, played };
  await saveProved(proof).catch(() => undefined);
  return proof;
}

async function withReached(
  store: Store,
  links: readonly ProvedLink[],
  { step, signal }: Pick<Proving, 'step' | 'signal'>,
): Promise<ProvedLink[]> {
  const site = selectSite(store.getState())!.address;
  const asked: ProvedLink[] = [];
  for (const link of links) {
    signal.throwIfAborted();
    step({ doing: 'asking', done: asked.length, all: links.length });
    asked.push(link.frame === null ? link : { ...link, reached: await reachedAt(store, { url: link.frame, site }) });
  }
  return asked;
}

/** What is not answered is told as such. */
async function reachedAt(store: Store, asked: { url: string; site: string }): Promise<Reached[]> {
  const { data } = await store.dispatch(server.endpoints.reached.initiate(asked, ONCE));
  return data ? data.reached : [{ code: 'noAnswer', why: 'noAnswer' }];
}

/** One embed of each target whose player reports, with all that it can be asked. */
function embedsOf(store: Store, card: HostCard): Map<string, Embed> {
  const embeds = new Map<string, Embed>();
  if (Object.keys(card.player?.events ?? {}).length === 0) return embeds;
  const book = selectBook(store.getState());
  for (const form of card.links) {
    const item = form.refused || embeds.has(form.target) ? undefined : bringIn(form.examples[0]!, book)[0]?.item;
    if (!item || item.host !== card.id || item.frame === null) continue;
    const all = makeEmbed(item, ASKED, contextOf(store));
    const sent = all.plan.entries.flatMap(({ setting, state }) => (state === 'sent' ? [[setting, ASKED[setting]] as const] : []));
    embeds.set(form.target, makeEmbed(item, Object.fromEntries(sent), contextOf(store)));
  }
  return embeds;
}

const contextOf = (store: Store) => {
  const state = store.getState();
  return { book: selectBook(state), site: selectSite(state), facts: {}, form: USUAL_FORM } as const;
};

async function play(
  store: Store,
  { card, embed, holder, signal }: Pick<Proving, 'card' | 'holder' | 'signal'> & { embed: Embed },
): Promise<ProofRow[]> {
  const state = store.getState();
  const { rows, stop } = playEmbed({
    embed,
    code: embed.code.text,
    variant: (change) => {
      const settings = Object.entries({ ...embed.settings, ...change }).filter(([, value]) => value !== null);
      return makeEmbed(embed.item, Object.fromEntries(settings), contextOf(store));
    },
    facts: {},
    player: card.player,
    holder,
    looks: looksOf(selectSite(state)!, state.view.theme === 'night'),
    step: () => undefined,
  });
  const called = new Promise<never>((_, reject) => {
    signal.addEventListener('abort', () => reject(new DOMException('called off', 'AbortError')), { once: true });
  });
  return Promise.race([rows, called]).finally(stop);
}
