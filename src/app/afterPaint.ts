/**
 * Does it once the screen shows what it has to show now; what this gives takes it back. In a window that nobody sees nothing
 * is painted, so after a moment at the latest.
 */
export function afterPaint(work: () => void): () => void {
  let timer = setTimeout(work, UNSEEN);
  const frame = globalThis.requestAnimationFrame?.(() => {
    clearTimeout(timer);
    // What a frame has begun to draw goes before timers.
    timer = setTimeout(work);
  });
  return () => {
    if (frame !== undefined) cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
}

/** Milliseconds. */
const UNSEEN = 200;
