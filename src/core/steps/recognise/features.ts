import type { HostBook } from '../../known/hosts/book.ts';
import { broughtAlong } from '../../known/hosts/broughtAlong.ts';
import type { Candidate } from '../../model/candidate.ts';
import { featureName, isMarked, splitFeatures, withheld } from '../../model/features.ts';
import type { Item } from '../../model/item.ts';
import type { SettingValue } from '../../model/values.ts';
import { makesSense, SETTINGS, type SettingId, type Settings } from '../../known/settings/list.ts';
import type { Markup } from './frameMarkup.ts';

/**
 * Sorts the features that a frame is given: those that its player needs or that come along with a setting say nothing
 * of their own, some are settings, and the rest are permissions.
 */
export function readFeatures(markup: Markup, item: Item, { candidate, book }: { candidate: Candidate; book: HostBook }): Markup {
  const { permissions, ...others } = markup.settings;
  const bare = markup.kept.attributes.some(({ name }) => name === FULLSCREEN);
  if ((permissions === undefined && !bare) || item.form === 'file') return markup;
  const settings: { [Id in SettingId]?: SettingValue } = { ...others };
  const hostBehind = settings.load === 'ask' ? new URL(candidate.address!).origin : null;
  const along = givenAnyway({ ...item, settings: { ...item.settings, ...settings } }, book);
  const given = splitFeatures(`${String(permissions ?? '')};${bare ? 'fullscreen' : ''}`).map((f) => plainFeature(f, hostBehind));
  const left = given.filter((feature) => {
    const name = featureName(feature);
    const told = BY_FEATURE.get(name);
    const setting = told !== undefined && makesSense(told, item.kind) ? told : undefined;
    if (setting && feature === withheld(name)) settings[setting] = 'off';
    else if (along.has(isMarked(feature) ? name : feature)) return false;
    else if (setting && feature === name) settings[setting] = 'on';
    else return true;
    return false;
  });
  if (left.length > 0) settings.permissions = left.join('; ');
  const attributes = markup.kept.attributes.filter(({ name }) => name !== FULLSCREEN);
  return { settings, kept: { ...markup.kept, attributes } };
}

const BY_FEATURE: ReadonlyMap<string, SettingId> = new Map(
  SETTINGS.flatMap((setting) => ('feature' in setting && setting.feature !== undefined ? [[setting.feature, setting.id]] : [])),
);

/** HTML, section 4.8.5: the same as the feature, unless `allow` says otherwise. */
const FULLSCREEN = 'allowfullscreen';

/** Behind a cover each feature names the origin of the host, which goes without saying elsewhere. */
function plainFeature(feature: string, hostBehind: string | null): string {
  return hostBehind !== null && feature.endsWith(` ${hostBehind}`) ? feature.slice(0, -hostBehind.length - 1) : feature;
}

/** What the card gives the frame in any case, and along with settings that are on: it comes and goes with them. */
function givenAnyway({ host, target, settings }: Item, book: HostBook): ReadonlySet<string> {
  const card = host === null ? undefined : book.byId.get(host);
  const features = new Set(target === null ? [] : (card?.targets.get(target)?.target.allow ?? []));
  const on: Settings = settings.load === 'ask' ? { ...settings, autoplay: 'on' } : settings;
  for (const [id, value] of Object.entries(on)) {
    const feature = broughtAlong(card?.card.settings[id as SettingId]);
    if (value === 'on' && feature !== undefined) features.add(feature);
  }
  return features;
}
