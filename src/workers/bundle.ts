import { expose, transfer } from 'comlink';
import { pack, unpack, type Bundle, type BundleRefusal } from '../core/keeping/bundle/bundle.ts';
import { isProposed, planMerge, stepKey, type Step } from '../core/keeping/bundle/merge.ts';
import { toggled } from '../core/model/toggled.ts';
import { gather, presentThings, takeIn } from '../app/storage/bundles.ts';

/** What a bundle would do, or why there is none; `damaged` names its files that are not as they were packed. */
export interface Looked {
  refusal: BundleRefusal | null;
  damaged: string[];
  /** How many things there are of each sort. */
  counts: Record<Step['what'], number>;
  /** How many are taken where nobody chooses. Of an incomplete bundle nothing is proposed. */
  proposed: number;
  /** The first of those that would change anything: more than a person would read one by one. */
  shown: (Step & { proposed: boolean })[];
}

const SHOWN = 200;
const REFUSED: Omit<Looked, 'refusal'> = { damaged: [], counts: { add: 0, change: 0, keep: 0 }, proposed: 0, shown: [] };

/** Packs, looks through and takes in bundles, from the store and into it, away from the screen's own thread. */
function makeBundler() {
  /** At hand, with the keys of what is proposed of it. */
  let incoming: { bundle: Bundle; proposed: ReadonlySet<string> } | null = null;
  const packed = (bundle: Bundle): Uint8Array<ArrayBuffer> => {
    const bytes = pack(bundle) as Uint8Array<ArrayBuffer>;
    return transfer(bytes, [bytes.buffer]);
  };
  return {
    pack: (bundle: Bundle) => packed(bundle),
    /** Everything, or what belongs to these embeds. `now` is milliseconds since the epoch. */
    save: async (ids: readonly string[] | null, now: number) => packed(await gather(ids, new Date(now))),
    /** Keeps the bundle at hand, for it to be taken in. */
    look: async (bytes: Uint8Array): Promise<Looked> => {
      const found = unpack(bytes);
      if ('refusal' in found) return { ...REFUSED, refusal: found.refusal };
      const { bundle, damaged } = found;
      const steps = planMerge(bundle, await presentThings());
      const proposed = new Set(damaged.length > 0 ? [] : steps.filter(isProposed).map(stepKey));
      incoming = { bundle, proposed };
      const open = steps.filter(({ what }) => what !== 'keep');
      const count = (what: Step['what']): number => steps.filter((step) => step.what === what).length;
      return {
        refusal: null,
        damaged,
        counts: { add: count('add'), change: count('change'), keep: count('keep') },
        proposed: proposed.size,
        shown: open.slice(0, SHOWN).map((step) => ({ ...step, proposed: proposed.has(stepKey(step)) })),
      };
    },
    /** Takes what is proposed of the bundle at hand in, but for what was chosen otherwise, by key: all of it, or nothing. */
    take: async (otherwise: readonly string[]): Promise<void> => {
      if (incoming) await takeIn(incoming.bundle, toggled(incoming.proposed, otherwise));
      incoming = null;
    },
  };
}

export type Bundler = ReturnType<typeof makeBundler>;
expose(makeBundler());
