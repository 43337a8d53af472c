import { providersSchema } from '../core/known/hosts/providers.ts';
import type { Asking } from '../workers/askPolitely.ts';
import { readJson, UsageError } from './io.ts';
import { t } from '../messages/t.ts';

/** How hosts are asked: through a Refenestra that runs at the address, with a file of oEmbed providers where one is given. */
export async function askingOf(address: string, providers: string | undefined): Promise<Asking> {
  return {
    server: await reach(address),
    signal: new AbortController().signal,
    providers: providers === undefined ? [] : readJson(providers, { what: t('provider list'), schema: providersSchema }),
  };
}

/** The origin of a server that is there, or a usage error. */
export async function reach(address: string): Promise<string> {
  try {
    const { origin } = new URL(address);
    const { ok } = await fetch(`${origin}/api/health`);
    if (ok) return origin;
  } catch {
    // Told below, as an answer of another kind is.
  }
  throw new UsageError(
    t('No Refenestra answers at {address}. Start it with npm start, then give the address that it names.', { address }),
  );
}
