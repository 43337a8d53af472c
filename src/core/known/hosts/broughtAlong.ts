import type { CardSetting } from './card.ts';

/** The feature that the frame needs for a setting that is on (Permissions Policy, section 4.1); undefined for none. */
export const broughtAlong = (use: CardSetting | undefined): string | undefined => (use && 'allow' in use ? use.allow : undefined);
