import type { ReactElement, ReactNode } from 'react';
import { NavLink } from 'react-router';
import type { Command } from '../commands/command.ts';
import { redo } from '../commands/redo.ts';
import { showShortcuts } from '../commands/showShortcuts.ts';
import { switchTheme } from '../commands/switchTheme.ts';
import { undo } from '../commands/undo.ts';
import { NOTHING_OPENED } from '../state/bench.ts';
import { useAppSelector } from '../state/store.ts';
import {
  AgainSign,
  BackSign,
  BatchSign,
  BenchSign,
  BookSign,
  OrdersSign,
  ThemeSign,
  ShortcutsSign,
  PaneAjar,
  ShelfSign,
  SitesSign,
} from './icons.tsx';
import { useCommand } from './useCommand.ts';

/** The spine at the left: the screens, and what goes for all of them. */
export function Navigation(): ReactElement {
  const id = useAppSelector((state) => state.bench.present.id);
  return (
    <nav className="navigation" aria-label="Screens">
      <span className="navigation-mark" aria-hidden="true">
        <PaneAjar />
      </span>
      <NavigationLink to={id === NOTHING_OPENED ? '/' : `/bench/${id}`} sign={<BenchSign />} words="Bench" />
      <NavigationLink to="/shelf" sign={<ShelfSign />} words="Shelf" />
      <NavigationLink to="/batch" sign={<BatchSign />} words="Batch" />
      <NavigationLink to="/orders" sign={<OrdersSign />} words="Orders" />
      <NavigationLink to="/sites" sign={<SitesSign />} words="Sites" />
      <NavigationLink to="/hosts" sign={<BookSign />} words="Hosts" />
      <span className="navigation-gap" />
      <CommandButton command={undo} sign={<BackSign />} words="Undo" />
      <CommandButton command={redo} sign={<AgainSign />} words="Redo" />
      <CommandButton command={switchTheme} sign={<ThemeSign />} words="Theme" />
      <CommandButton command={showShortcuts} sign={<ShortcutsSign />} words="Shortcuts" />
    </nav>
  );
}

function NavigationLink({ to, sign, words }: { to: string; sign: ReactNode; words: string }): ReactElement {
  return (
    <NavLink className="navigation-link" to={to} end={to === '/'}>
      {sign}
      {words}
    </NavLink>
  );
}

function CommandButton({ command, sign, words }: { command: Command; sign: ReactNode; words: string }): ReactElement {
  const { can, run } = useCommand(command);
  return (
    <button className="navigation-link" type="button" title={`${command.label} (${command.keys})`} disabled={!can} onClick={run}>
      {sign}
      {words}
    </button>
  );
}
