import type { Bundle } from '../../core/keeping/bundle/bundle.ts';
import { BUNDLE_VERSION, EMBEDS_ALONE } from '../../core/keeping/bundle/version.ts';
import type { Made } from '../../core/keeping/shelf/record.ts';
import type { Bundler } from '../../workers/bundle.ts';
import { askWorker } from '../askWorker.ts';
import { saveFile } from './files.ts';

const worker = (): Worker => new Worker(new URL('../../workers/bundle.ts', import.meta.url), { type: 'module' });

/** Saves works that the browser has no room for as a bundle, which can be brought in again when there is. */
export async function saveUnwritten(works: readonly Made[]): Promise<void> {
  const now = new Date();
  const kept = { made: now.getTime(), changed: now.getTime(), stage: 'draft' as const, tags: [], placed: [], revision: 1 };
  const embeds = works.map((made) => ({ ...made, kind: made.kind, ...kept }));
  const bundle: Bundle = {
    format: 'refenestra-bundle',
    version: BUNDLE_VERSION,
    made: now.toISOString(),
    embeds,
    ...EMBEDS_ALONE,
  };
  const packed = await askWorker<Bundler>(worker)((bundler) => bundler.pack(bundle));
  saveFile(`refenestra-unsaved-${now.toISOString().slice(0, 10)}.zip`, packed, 'application/zip');
}
