import { CHECKS } from '../core/steps/check/checks/list.ts';
import { t } from './t.ts';

/** What is so when a check finds nothing, by its id. */
export const HOLDS: ReadonlyMap<string, string> = new Map(CHECKS.map(({ id, holds }) => [id, t(holds)]));
