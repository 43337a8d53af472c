import { z } from 'zod';
import { KINDS, type Kind } from '../../model/kind.ts';
import { isSettingId, makesSense, properValue, type SettingId, type Settings } from '../settings/list.ts';

/** A setting that a site uses for a kind of item unless somebody says otherwise, and why. */
const ruleSchema = z.strictObject({
  kind: z.enum(KINDS),
  setting: z.string().refine(isSettingId, 'there is no setting of this id'),
  value: z.union([z.string().max(2000), z.number()]),
  reason: z.string().max(200).default(''),
});

/** The house style of a site: the settings it uses by default, by kind of item, with their reasons. */
export const styleSchema = z
  .strictObject({ version: z.literal(1), site: z.string().min(2).max(40), rules: z.array(ruleSchema).max(600) })
  .transform(({ rules, ...style }, context) => {
    const proper = rules.flatMap((rule, i) => {
      const value = properValue(rule.setting, rule.value);
      if (value !== undefined) return [{ ...rule, value }];
      context.addIssue({ code: 'custom', path: ['rules', i, 'value'], message: `"${rule.setting}" does not take this value` });
      return [];
    });
    return { ...style, rules: proper };
  });

export type HouseStyle = z.infer<typeof styleSchema>;
export type StyleRule = HouseStyle['rules'][number];

/** The house style of a site that has none. */
export const emptyStyle = (site: string): HouseStyle => ({ version: 1, site, rules: [] });

/** The settings of a style for a kind of item. */
export const styleFor = (style: HouseStyle | undefined, kind: Kind): Settings =>
  Object.fromEntries((style?.rules ?? []).filter((rule) => rule.kind === kind).map(({ setting, value }) => [setting, value]));

/** The rule for a setting, where the style has one. */
export const ruleFor = (style: HouseStyle | undefined, kind: Kind, setting: SettingId): StyleRule | undefined =>
  style?.rules.find((rule) => rule.kind === kind && rule.setting === setting);

/** The style with a rule laid in; the reason stays when none is given. */
export function withRule(style: HouseStyle, { kind, setting, value, reason }: Omit<StyleRule, 'reason'> & { reason?: string }) {
  const before = ruleFor(style, kind, setting);
  const rule: StyleRule = { kind, setting, value, reason: reason ?? before?.reason ?? '' };
  return { ...style, rules: before ? style.rules.map((one) => (one === before ? rule : one)) : [...style.rules, rule] };
}

/** The style without its rule for this setting of this kind; the same where it has none. */
export const withoutRule = (style: HouseStyle, kind: Kind, setting: SettingId): HouseStyle => ({
  ...style,
  rules: style.rules.filter((rule) => rule.kind !== kind || rule.setting !== setting),
});

/** The style of one site for another: the same rules, without those that name what only the first one has. */
export const carriedTo = (style: HouseStyle, site: string): HouseStyle => ({
  ...style,
  site,
  rules: style.rules.filter(({ setting }) => setting !== 'accent' && setting !== 'domain'),
});

/** The settings of which a style may speak for a kind. The item's own words and picture are no matter of style. */
export const canBeStyle = (setting: SettingId, kind: Kind): boolean => makesSense(setting, kind) && !OF_THE_ITEM.has(setting);

const OF_THE_ITEM: ReadonlySet<SettingId> = new Set([
  'title',
  'start',
  'end',
  'page',
  'cover',
  'heading',
  'text',
  'caption',
  'transcript',
  'marker',
  'elementId',
]);
