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

const LINK =
  'grid w-full justify-items-center gap-0.5 border-l-3 border-l-transparent px-0 py-1.5 text-small text-ink no-underline disabled:cursor-default disabled:text-quiet disabled:opacity-55 aria-[current]:border-l-green aria-[current]:font-semibold aria-[current]:text-green low:py-1 max-desk:w-auto max-desk:border-l-0 german:text-tiny german:tracking-tight forced-colors:border-l-[Canvas] forced-colors:aria-[current]:border-l-[Highlight] forced-colors:aria-[current]:underline';
/** Longer words leave no room for the commands in the line of the screens; a line of their own is kept low. */
const LOW = 'german:max-[561px]:grid-flow-col german:max-[561px]:items-center german:max-[561px]:gap-1 german:max-[561px]:py-0.5';
/** No keys to list where there is no keyboard, and no room for the theme and for programs; Find leads to all of them. */
const WIDE = 'max-[561px]:hidden';

/** The bar at the left: the screens, and what goes for all of them. */
export function Navigation(): ReactElement {
  const bench = useAppSelector(selectBenchAddress);
  return (
    <nav
      className="navigation flex flex-col items-center gap-1 border-r-2 border-line bg-pane py-3 area-[navigation] max-desk:flex-row max-desk:flex-wrap max-desk:justify-around max-desk:border-t-2 max-desk:border-r-0 max-desk:py-0.5 low:gap-0 low:py-1.5 flat:flex-nowrap flat:justify-start flat:overflow-x-auto"
      aria-label={t('Screens')}
    >
      <span className="max-desk:hidden" aria-hidden="true">
        <PaneAjar />
      </span>
      {SCREENS.map(({ path, name }) => (
        <NavigationLink
          key={path}
          to={path === '/' ? bench : path}
          sign={SCREEN_SIGNS[path]}
          words={name}
          {...(path === '/connect' && { className: WIDE })}
        />
      ))}
      <span className="flex-1 max-desk:hidden" />
      <span className="hidden german:max-[561px]:block german:max-[561px]:basis-full" />
      <CommandButton command={findAnything} sign={<FindSign />} words={t('Find')} />
      <CommandButton command={undo} sign={<BackSign />} words={t('Undo')} />
      <CommandButton command={redo} sign={<AgainSign />} words={t('Redo')} />
      <CommandButton command={switchTheme} sign={<ThemeSign />} words={t('Theme')} className={WIDE} />
      <CommandButton command={switchLanguage} sign={<LanguageSign />} words={OTHER_LANGUAGE} className={WIDE} />
      <NavigationLink to="/help" sign={<HelpSign />} words={t('Help')} className={WIDE} />
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
    <NavLink className={`${LINK} ${className}`} to={to} end={to === '/'}>
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
      className={`${LINK} ${LOW} ${className}`}
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
