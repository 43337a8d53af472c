import type { ReactElement, ReactNode } from 'react';
import { NavLink } from 'react-router';
import type { Command } from '../commands/command.ts';
import { findAnything } from '../commands/findAnything.ts';
import { redo } from '../commands/redo.ts';
import { OTHER_LANGUAGE, switchLanguage } from '../commands/switchLanguage.ts';
import { switchTheme } from '../commands/switchTheme.ts';
import { undo } from '../commands/undo.ts';
import { selectBenchAddress } from '../state/bench.ts';
import { useAppSelector } from '../state/store.ts';
import { AgainSign, BackSign, FindSign, LanguageSign, ThemeSign, HelpSign, PaneAjar, SCREEN_SIGNS } from './icons.tsx';
import { SCREENS } from './screens.ts';
import { useCommand } from './useCommand.ts';
import { writeKeys } from './writeKeys.ts';
import { t } from '../../messages/t.ts';

/** The bar at the left: the screens, and what goes for all of them. */
export function Navigation(): ReactElement {
  const bench = useAppSelector(selectBenchAddress);
  return (
    <nav className="navigation" aria-label={t('Screens')}>
      <span className="navigation-mark" aria-hidden="true">
        <PaneAjar />
      </span>
      {SCREENS.map(({ path, name }) => (
        <NavigationLink
          key={path}
          to={path === '/' ? bench : path}
          sign={SCREEN_SIGNS[path]}
          words={name}
          {...(path === '/connect' && { className: 'for-wide' })}
        />
      ))}
      <span className="navigation-gap" />
      <CommandButton command={findAnything} sign={<FindSign />} words={t('Find')} />
      <CommandButton command={undo} sign={<BackSign />} words={t('Undo')} />
      <CommandButton command={redo} sign={<AgainSign />} words={t('Redo')} />
      <CommandButton command={switchTheme} sign={<ThemeSign />} words={t('Theme')} className="for-wide" />
      <CommandButton command={switchLanguage} sign={<LanguageSign />} words={OTHER_LANGUAGE} className="for-wide" />
      <NavigationLink to="/help" sign={<HelpSign />} words={t('Help')} className="for-wide" />
    </nav>
  );
}

interface NavigationLinkProps {
  to: string;
  sign: ReactNode;
  words: string;
  className?: string;
}

function NavigationLink({ to, sign, words, className = '' }: NavigationLinkProps): ReactElement {
  return (
    <NavLink className={`navigation-link ${className}`} to={to} end={to === '/'}>
      {sign}
      {words}
    </NavLink>
  );
}

interface CommandButtonProps {
  command: Command;
  sign: ReactNode;
  words: string;
  className?: string;
}

function CommandButton({ command, sign, words, className = '' }: CommandButtonProps): ReactElement {
  const { can, run } = useCommand(command);
  return (
    <button
      className={`navigation-link ${className}`}
      type="button"
      title={`${command.label} (${writeKeys(command.keys)})`}
      disabled={!can}
      onClick={run}
    >
      {sign}
      {words}
    </button>
  );
}
