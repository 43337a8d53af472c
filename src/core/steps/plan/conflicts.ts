import { isHonoured } from '../../known/hosts/compile.ts';
import type { PlanEntry } from '../../model/plan.ts';
import type { SettingId } from '../../known/settings/list.ts';
import type { Asked } from './asked.ts';

type Conflict = Required<Pick<PlanEntry, 'reason' | 'fix'>>;

/** Settings that cannot both hold. Each rule stands with the setting that has to give way. */
const RULES: { readonly [Id in SettingId]?: (asked: Asked) => Conflict | undefined } = {
  autoplay: ({ item, settings, card }) =>
    settings.autoplay === 'on' && settings.mute !== 'on' && (item.form === 'file' || isHonoured(card?.card.settings.mute))
      ? { reason: { code: 'autoplayNeedsMute' }, fix: { mute: 'on' } }
      : undefined,
  end: ({ settings: { start = 0, end } }) => {
    if (end === undefined || end > start) return undefined;
    return { reason: { code: 'endBeforeStart' }, fix: end === 0 || end === start ? { end: null } : { start: end, end: start } };
  },
  width: ({ settings }) =>
    settings.widthMode === 'fill' ? { reason: { code: 'widthNeedsMode' }, fix: { widthMode: 'atMost' } } : undefined,
  height: ({ settings }) =>
    settings.ratio === undefined ? undefined : { reason: { code: 'ratioAndHeight' }, fix: { ratio: null } },
};

/** With what the setting conflicts, and the change that ends it; undefined where it stands. */
export const findConflict = (id: SettingId, asked: Asked): Conflict | undefined => RULES[id]?.(asked);
