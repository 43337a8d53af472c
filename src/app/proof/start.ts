import { isProposed } from '../../core/known/hosts/card.ts';
import { courseOf } from '../../core/proof/playThrough/course.ts';
import { judge } from '../../core/proof/playThrough/judge.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
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
import { playThrough } from './run.ts';
import { openStage } from './stage.ts';

/** Plays the embed on the Bench through, in a page within the holder, and keeps what came of it. Gives what calls it off. */
export function startProof(store: Store, holder: HTMLElement): () => void {
  const state = store.getState();
  const [embed, site, code] = [selectEmbed(state), selectSite(state), selectPreviewCode(state)];
  const abort = new AbortController();
  if (!embed || !site || code === null) return () => undefined;
  const { item, settings } = embed;
  const [player, facts, { id }] = [selectCard(state)?.player, selectFacts(state), selectWork(state)];
  const variant = (change: SettingsFix) => selectVariant(state, change)!;
  const course = courseOf({
    item,
    settings,
    facts,
    player,
    would: (change) => variant(change).plan.entries.find((entry) => entry.setting in change)?.state ?? 'not offered',
  });
  const stage = openStage({ holder, looks: looksOf(site, state.view.theme === 'night'), player });
  playThrough({
    course,
    code,
    endCode: course.end?.by === 'visit' ? variant(course.end.change).code.text : null,
    stage,
    step: (step) => store.dispatch(proofStepped(step)),
    wait: waiting(abort.signal),
  })
    .then((seen) => {
      const rows = judge({ kind: item.kind, settings }, { ...seen, author: facts.author });
      store.dispatch(proofDone({ id, date: Date.now(), code: embed.code.text, rows }));
      store.dispatch(kept(null));
      keepProof(store);
    })
    .catch((error: unknown) => {
      if (!abort.signal.aborted) throw error;
    });
  return () => {
    abort.abort();
    stage.close();
  };
}

/** Keeps the play-through, with what a person has answered so far, and what it shows of settings that were proposed. */
export function keepProof(store: Store): void {
  const { proof } = store.getState().proof;
  const card = selectCard(store.getState());
  if (Object.values(card?.settings ?? {}).some(isProposed))
    void import('../state/teachParameter.ts').then(({ settleProposals }) => settleProposals(store));
  if (proof) saveProof(proof).catch(() => store.dispatch(storageFound('full')));
}

/** Milliseconds between two looks at what is waited for. */
const LOOK = 50;

const waiting =
  (signal: AbortSignal) =>
  async (ms: number, until?: () => boolean): Promise<void> => {
    for (const deadline = performance.now() + ms; performance.now() < deadline && !until?.();) {
      await new Promise((done) => setTimeout(done, LOOK));
      signal.throwIfAborted();
    }
  };
