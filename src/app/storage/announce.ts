/** What windows, workers and screens tell each other: which embed was written, and its revision. */
export interface Written {
  id: string;
  revision: number;
}

/** Name of the channel on which writes of embeds are told. */
export const WRITES = 'refenestra-embeds';

/** Tells all who listen that embeds were written. */
export function announce(written: readonly Written[]): void {
  const channel = new BroadcastChannel(WRITES);
  written.forEach((one) => channel.postMessage(one));
  channel.close();
}
