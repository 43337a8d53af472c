import type { Store } from '../state/store.ts';
import type { Command } from './command.ts';
import { COMMANDS } from './list.ts';

/** Keys work where no text field has the focus; those of a few commands, everywhere. */
export function listenForShortcuts(store: Store): () => void {
  const listen = (event: KeyboardEvent): void => {
    if (event.defaultPrevented || (event.key === ' ' && isPressable(event))) return;
    const command = COMMANDS.find(
      ({ keys, whileTyping }: Command) => keys === keysOf(event) && (whileTyping || !isTyping(event)),
    );
    if (command?.run(store, true)) event.preventDefault();
  };
  window.addEventListener('keydown', listen);
  return () => window.removeEventListener('keydown', listen);
}

function keysOf({ key, ctrlKey, metaKey, shiftKey, altKey }: KeyboardEvent): string {
  const letter = /^[a-z]$/i.test(key);
  const name = letter ? key.toLowerCase() : key;
  return `${ctrlKey || metaKey ? 'ctrl+' : ''}${altKey ? 'alt+' : ''}${letter && shiftKey ? 'shift+' : ''}${name}`;
}

const target = (event: KeyboardEvent): Element | null => (event.target instanceof Element ? event.target : null);
const isTyping = (event: KeyboardEvent): boolean =>
  target(event)?.closest('input, textarea, select, [contenteditable]') !== null && target(event) !== null;
const isPressable = (event: KeyboardEvent): boolean =>
  target(event)?.closest('button, a, [role="slider"], [role="dialog"]') !== null;
