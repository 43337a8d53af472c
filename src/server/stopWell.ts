/** Milliseconds that what has begun may take to its end. */
const PATIENCE = 10_000;

/** Ends the process well when it is asked to: once, after what is under way, and at once where that takes too long. */
export function stopWell(stop: () => Promise<void>): void {
  let stopping = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => {
      if (stopping) return;
      stopping = true;
      setTimeout(() => process.exit(0), PATIENCE).unref();
      void stop().then(() => process.exit(0));
    });
}
