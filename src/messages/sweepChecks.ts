import { CHECKS } from '../core/steps/check/checks/list.ts';

/** What is so when a check finds nothing, by its id. */
export const HOLDS: ReadonlyMap<string, string> = new Map(CHECKS.map(({ id, holds }) => [id, holds]));
