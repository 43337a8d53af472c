import { foliobarn } from './foliobarn/routes.ts';
import { lanternreel } from './lanternreel/routes.ts';
import { murmurfold } from './murmurfold/routes.ts';
import type { StandIn } from './standIn.ts';

/** The made-up hosts that ship with the product. */
export const STAND_INS: readonly StandIn[] = [lanternreel, murmurfold, foliobarn];
