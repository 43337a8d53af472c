import { z } from 'zod';
import {
  planLibrary,
  readLibrary,
  type CardFile,
  type LibraryRefusal,
  type LibraryStep,
} from '../../core/known/hosts/library.ts';
import { listLibraries, saveLibrary, type KeptLibrary } from '../storage/libraries.ts';
import { keepCards } from './ownCards.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';

const cardFile = z.union([z.object({ text: z.string().max(1_000_000) }), z.object({ why: z.string() })]);
const answerSchema = z.object({ list: z.string().max(1_000_000), files: z.record(z.string(), cardFile) });
const problem = z.object({ code: z.string() });

/** What a library holds, and what taking it in would do; or why it cannot be used. */
export type Looked =
  { library: KeptLibrary; steps: LibraryStep[] } | { refusal: LibraryRefusal | { code: 'notThere'; why: string } };

/** Looks at a library: nothing is taken in yet. */
export async function lookAtLibrary(store: Store, address: string): Promise<Looked> {
  const kept = (await listLibraries().catch(() => [])).find((one) => one.address === address);
  const response = await fetch('/api/library', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ url: address }),
    signal: AbortSignal.timeout(60_000),
  }).catch(() => null);
  const body: unknown = await response?.json().catch(() => null);
  if (!response?.ok) return { refusal: { code: 'notThere', why: problem.safeParse(body).data?.code ?? 'noServer' } };
  const answer = answerSchema.safeParse(body).data;
  if (!answer) return { refusal: { code: 'notThere', why: 'noAnswer' } };
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
