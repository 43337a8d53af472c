import { addressExpires } from './addressExpires.ts';
import { autoplayAudio } from './autoplayAudio.ts';
import { autoplayCovered } from './autoplayCovered.ts';
import { autoplayNotAllowed } from './autoplayNotAllowed.ts';
import { autoplayUnmuted } from './autoplayUnmuted.ts';
import { consentMissing } from './consentMissing.ts';
import { coverForm } from './coverForm.ts';
import { coverFromHost } from './coverFromHost.ts';
import { coverHeavy } from './coverHeavy.ts';
import { coverPlain } from './coverPlain.ts';
import { coverShape } from './coverShape.ts';
import { endBeforeStart } from './endBeforeStart.ts';
import { endBeyondEnd } from './endBeyondEnd.ts';
import { hostCondition } from './hostCondition.ts';
import { insecureFrame } from './insecureFrame.ts';
import { languageDiffers } from './languageDiffers.ts';
import { linkForNobody } from './linkForNobody.ts';
import { loadsAllAtOnce } from './loadsAllAtOnce.ts';
import { muteAlone } from './muteAlone.ts';
import { noWayToStop } from './noWayToStop.ts';
import { notReachable } from './notReachable.ts';
import { obsoleteAttribute } from './obsoleteAttribute.ts';
import { pageBeyondEnd } from './pageBeyondEnd.ts';
import { permissionMissing } from './permissionMissing.ts';
import { ratioDiffers } from './ratioDiffers.ts';
import { reachedOddly } from './reachedOddly.ts';
import { runsOwnCode } from './runsOwnCode.ts';
import { saidTwice } from './saidTwice.ts';
import { sandboxBlocks } from './sandboxBlocks.ts';
import { sharePageFramed } from './sharePageFramed.ts';
import { scrollsInside } from './scrollsInside.ts';
import { severalCards } from './severalCards.ts';
import { manyAtOnce } from './manyAtOnce.ts';
import { sameTitle } from './sameTitle.ts';
import { scriptTwice } from './scriptTwice.ts';
import { severalStart } from './severalStart.ts';
import { smallerThanUseful } from './smallerThanUseful.ts';
import { startBeyondEnd } from './startBeyondEnd.ts';
import { tallerThanScreen } from './tallerThanScreen.ts';
import { titleMissing } from './titleMissing.ts';
import { tooWide } from './tooWide.ts';
import { unknownParameter } from './unknownParameter.ts';
import { accentContrast } from './accentContrast.ts';
import { formNotKept } from './formNotKept.ts';
import { framePolicy } from './framePolicy.ts';
import { scriptStripped } from './scriptStripped.ts';
import { outTooEarly } from './outTooEarly.ts';
import { strippedBySite } from './strippedBySite.ts';

/** Every check. Among findings of one severity, this is their order. One file each. */
export const CHECKS = [
  notReachable,
  insecureFrame,
  addressExpires,
  framePolicy,
  formNotKept,
  scriptStripped,
  strippedBySite,
  runsOwnCode,
  coverFromHost,
  sandboxBlocks,
  noWayToStop,
  autoplayUnmuted,
  severalStart,
  endBeforeStart,
  startBeyondEnd,
  pageBeyondEnd,
  permissionMissing,
  autoplayNotAllowed,
  tooWide,
  autoplayAudio,
  coverForm,
  coverHeavy,
  coverShape,
  tallerThanScreen,
  smallerThanUseful,
  scrollsInside,
  loadsAllAtOnce,
  manyAtOnce,
  ratioDiffers,
  accentContrast,
  sharePageFramed,
  reachedOddly,
  outTooEarly,
  severalCards,
  titleMissing,
  sameTitle,
  endBeyondEnd,
  muteAlone,
  autoplayCovered,
  consentMissing,
  coverPlain,
  languageDiffers,
  unknownParameter,
  saidTwice,
  scriptTwice,
  obsoleteAttribute,
  linkForNobody,
  hostCondition,
] as const;

export type CheckId = (typeof CHECKS)[number]['id'];
