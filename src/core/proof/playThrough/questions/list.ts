import { advances } from './advances.ts';
import { afterwards } from './afterwards.ts';
import { begins } from './begins.ts';
import { endsAt } from './endsAt.ts';
import { loads } from './loads.ts';
import { opensAt } from './opensAt.ts';
import { showsControls } from './showsControls.ts';
import { showsTitle } from './showsTitle.ts';
import { sound } from './sound.ts';
import { startsAt } from './startsAt.ts';

/** All questions of a play-through, in the order of a visit. */
export const QUESTIONS = [
  loads,
  showsTitle,
  begins,
  sound,
  startsAt,
  opensAt,
  showsControls,
  advances,
  endsAt,
  afterwards,
] as const;

export type QuestionId = (typeof QUESTIONS)[number]['id'];
