import { isProposed } from '../../core/known/hosts/card.ts';
import { looksOf } from '../preview.ts';
import { kept } from '../state/bench.ts';
import { proofDone, proofStepped } from '../state/proof.ts';
import {
  selectCard,
  selectEmbed,
  selectFacts,
  selectPreviewCode,
  selectSite,
  selectVariant,
  selectWork,
} from '../state/selectors.ts';
import type { Store } from '../state/store.ts';
import { storageFound } from '../state/view.ts';
import { saveProof } from '../storage/embeds.ts';
import { playEmbed } from './play.ts';

/** Plays the embed on the Bench through, in a page within the holder, and keeps what came of it. Gives what calls it off. */
export function startProof(store: Store, holder: HTMLElement): () => void {
  const state = store.getState();
  const [embed, site, code] = [selectEmbed(state), selectSite(state), selectPreviewCode(state)];
  if (!embed || !site || code === null) return () => undefined;
  const { id } = selectWork(state);
  const { rows, stop } = playEmbed({
    embed,
    code,
    variant: (change) => selectVariant(state, change)!,
    facts: selectFacts(state),
    player: selectCard(state)?.player,
    holder,
    looks: looksOf(site, state.view.theme === 'night'),
    step: (step) => store.dispatch(proofStepped(step)),
  });
  void rows.then((seen) => {
    store.dispatch(proofDone({ id, date: Date.now(), code: embed.code.text, rows: seen }));
    store.dispatch(kept(null));
    keepProof(store);
  });
  return stop;
}

/** Keeps the play-through, with what a person has answered so far, and what it shows of settings that were proposed. */
export function keepProof(store: Store): void {
  const { proof } = store.getState().proof;
  const card = selectCard(store.getState());
  if (Object.values(card?.settings ?? {}).some(isProposed))
    void import('../state/teachParameter.ts').then(({ settleProposals }) => settleProposals(store));
  if (proof) saveProof(proof).catch(() => store.dispatch(storageFound('full')));
}
