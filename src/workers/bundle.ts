import { expose, transfer } from 'comlink';
import { pack, unpack, type Bundle, type BundleRefusal } from '../core/keeping/bundle/bundle.ts';
import { planMerge, type Step } from '../core/keeping/bundle/merge.ts';
import { gather, presentThings, takeIn } from '../app/storage/bundles.ts';

/** What a bundle would do, thing by thing, or why there is none; `damaged` names its files that are not as they were packed. */
export interface Looked {
  refusal: BundleRefusal | null;
  steps: Step[];
  damaged: string[];
}

/** Packs, looks through and takes in bundles, from the store and into it, away from the screen's own thread. */
function makeBundler() {
  let incoming: Bundle | null = null;
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
      if ('refusal' in found) return { refusal: found.refusal, steps: [], damaged: [] };
      incoming = found.bundle;
      return { refusal: null, steps: planMerge(found.bundle, await presentThings()), damaged: found.damaged };
    },
    /** Takes the chosen steps of the bundle at hand in: all of them, or none. */
    take: async (chosen: readonly string[]): Promise<void> => {
      if (incoming) await takeIn(incoming, new Set(chosen));
      incoming = null;
    },
  };
}

export type Bundler = ReturnType<typeof makeBundler>;
expose(makeBundler());
