import type { SettingId } from '../../../core/known/settings/list.ts';

/** The bar says these in any case, and the others of the frame's size and place once they are set. */
export const ALWAYS: readonly SettingId[] = ['widthMode', 'ratio', 'align'];
export const WHEN_SET: readonly SettingId[] = ['width', 'height', 'spaceAbove', 'spaceBelow'];

/** Settings of the frame that stand on the embed itself. */
export const ON_THE_EMBED: ReadonlySet<SettingId> = new Set([...ALWAYS, ...WHEN_SET]);

/** What the names of gestures at a handle begin with. */
export const AT_HANDLE = 'handle: ';
