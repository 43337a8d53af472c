import { pack, unpack } from '../core/keeping/bundle/bundle.ts';
import type { BundleAsked } from './messages.ts';

/** Packs and unpacks bundles away from the screen's own thread. */
addEventListener('message', ({ data }: MessageEvent<BundleAsked>) => {
  postMessage('pack' in data ? { packed: pack(data.pack) } : unpack(data.unpack));
});
