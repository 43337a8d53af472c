import { useStore } from 'react-redux';
import type { Command } from '../commands/command.ts';
import { useAppSelector, type Store } from '../state/store.ts';

/** A command for a button: whether it can be done now, and doing it. */
export function useCommand(command: Command): { can: boolean; run: () => void } {
  const store = useStore() as Store;
  const can = useAppSelector(() => command.run(store, false));
  return { can, run: () => void command.run(store, true) };
}
