import { autoplayAudio } from './autoplayAudio.ts';
import { autoplayUnmuted } from './autoplayUnmuted.ts';
import { endBeforeStart } from './endBeforeStart.ts';
import { hostCondition } from './hostCondition.ts';
import { insecureFrame } from './insecureFrame.ts';
import { notReachable } from './notReachable.ts';
import { ratioDiffers } from './ratioDiffers.ts';
import { reachedOddly } from './reachedOddly.ts';
import { severalCards } from './severalCards.ts';
import { titleMissing } from './titleMissing.ts';
import { tooWide } from './tooWide.ts';
import { unknownParameter } from './unknownParameter.ts';

/** Every check. Among findings of one severity, this is their order. One file each. */
export const CHECKS = [
  notReachable,
  insecureFrame,
  autoplayUnmuted,
  endBeforeStart,
  tooWide,
  autoplayAudio,
  ratioDiffers,
  reachedOddly,
  severalCards,
  titleMissing,
  unknownParameter,
  hostCondition,
] as const;

export type CheckId = (typeof CHECKS)[number]['id'];
