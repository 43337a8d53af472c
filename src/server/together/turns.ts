import PQueue from 'p-queue';

/** Work at one host, when it is its turn: nobody of this service asks the host meanwhile. */
export type InTurn = <Result>(host: string, work: () => Promise<Result>) => Promise<Result>;

/** One at a time for each host, within this process. */
export function turnsHere(): InTurn {
  const lanes = new Map<string, { queue: PQueue; users: number }>();
  return async (host, work) => {
    const lane = lanes.get(host) ?? { queue: new PQueue({ concurrency: 1 }), users: 0 };
    lanes.set(host, lane);
    lane.users++;
    try {
      return await lane.queue.add(work);
    } finally {
      lane.users--;
      if (lane.users === 0) lanes.delete(host);
    }
  };
}
