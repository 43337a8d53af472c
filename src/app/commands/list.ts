import { copyCode } from './copyCode.ts';
import { findAnything } from './findAnything.ts';
import { findSetting } from './findSetting.ts';
import { focusPaste } from './focusPaste.ts';
import { playOrPause } from './playOrPause.ts';
import { redo } from './redo.ts';
import { showShortcuts } from './showShortcuts.ts';
import { switchLanguage } from './switchLanguage.ts';
import { switchTheme } from './switchTheme.ts';
import { toggleCode } from './toggleCode.ts';
import { toggleSettings } from './toggleSettings.ts';
import { undo } from './undo.ts';

/** Every command, in the order in which the list of shortcuts shows them. One file each. */
export const COMMANDS = [
  copyCode,
  focusPaste,
  findSetting,
  findAnything,
  playOrPause,
  undo,
  redo,
  toggleSettings,
  toggleCode,
  switchTheme,
  switchLanguage,
  showShortcuts,
] as const;
