import {
  planLibrary,
  readLibrary,
  type CardFile,
  type LibraryRefusal,
  type LibraryStep,
} from '../../core/known/hosts/library.ts';
import { listLibraries, saveLibrary, type KeptLibrary } from '../storage/libraries.ts';
import { keepCards } from './ownCards.ts';
import { ONCE, server, whyRefused } from './server.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';

/** What a library holds, and what taking it in would do; or why it cannot be used. */
export type Looked =
  { library: KeptLibrary; steps: LibraryStep[] } | { refusal: LibraryRefusal | { code: 'notThere'; why: string } };

/** Looks at a library: nothing is taken in yet. */
export async function lookAtLibrary(store: Store, address: string): Promise<Looked> {
  const kept = (await listLibraries().catch(() => [])).find((one) => one.address === address);
  const { data: answer, error } = await store.dispatch(server.endpoints.library.initiate(address, ONCE));
  if (!answer) return { refusal: { code: 'notThere', why: whyRefused(error) } };
  const { list, files } = answer;
  const read = readLibrary(list);
  if ('refusal' in read) return read;
  const taken = kept?.taken ?? [];
  const library = { address, name: read.library.name, looked: Date.now(), taken };
  const steps = planLibrary(read.library, new Map<string, CardFile>(Object.entries(files)), {
    own: store.getState().world.ownCards,
    taken,
  });
  await saveLibrary(library).catch(() => store.dispatch(storageFound('missing')));
  return { library, steps };
}

/** Takes the chosen cards of a library in, and remembers how they were. */
export async function takeFromLibrary(store: Store, library: KeptLibrary, chosen: readonly LibraryStep[]): Promise<void> {
  const now = chosen.flatMap((step) => ('card' in step ? [{ id: step.id, version: step.version, card: step.card }] : []));
  await keepCards(
    store,
    now.map(({ card }) => card),
  );
  const ids = new Set(now.map(({ id }) => id));
  const taken = [...library.taken.filter(({ id }) => !ids.has(id)), ...now];
  await saveLibrary({ ...library, taken }).catch(() => store.dispatch(storageFound('missing')));
}
