import { useEffect, useRef, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { startProof } from '../../proof/start.ts';
import type { Store } from '../../state/store.ts';

/** The page in which the play-through runs; it runs for as long as this is there. */
export function ProofStage({ width, height, scale }: { width: number; height: number; scale: number }): ReactElement {
  const store = useStore() as Store;
  const holder = useRef<HTMLDivElement>(null);
  useEffect(() => startProof(store, holder.current!), [store]);
  const page = { '--page-width': `${width}px`, '--page-height': `${height / scale}px`, '--page-scale': scale };
  return (
    <div
      className="sheet proof-sheet [&>iframe]:h-(--page-height) [&>iframe]:w-(--page-width) [&>iframe]:[transform:scale(var(--page-scale))]"
      ref={holder}
      style={{ width: width * scale, height, ...page }}
    />
  );
}
