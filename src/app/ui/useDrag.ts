import { useRef, type PointerEvent } from 'react';

interface Drag {
  /** Called with the way from where the drag began, in screen pixels. */
  move: (dx: number, dy: number) => void;
  begin?: () => void;
  end?: () => void;
}

/**
 * Pointer handlers for something that is dragged. The pointer is captured; frames of other origins would
 * swallow it all the same, so while dragging they take no part (`[data-dragging]` in `parts.css`).
 */
export function useDrag({ move, begin, end }: Drag) {
  const from = useRef<{ x: number; y: number } | null>(null);
  return {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      document.documentElement.dataset.dragging = '';
      from.current = { x: event.clientX, y: event.clientY };
      begin?.();
    },
    onPointerMove: (event: PointerEvent) => {
      if (from.current) move(event.clientX - from.current.x, event.clientY - from.current.y);
    },
    onLostPointerCapture: () => {
      if (from.current) end?.();
      from.current = null;
      delete document.documentElement.dataset.dragging;
    },
  };
}

/** The step that an arrow key asks for: one, or ten with shift; 0 for other keys. */
export function arrowStep({ key, shiftKey }: { key: string; shiftKey: boolean }): number {
  const direction = key === 'ArrowRight' || key === 'ArrowUp' ? 1 : key === 'ArrowLeft' || key === 'ArrowDown' ? -1 : 0;
  return direction * (shiftKey ? 10 : 1);
}
