import type { CompiledCard, CompiledTarget } from '../../known/hosts/compile.ts';
import type { Site } from '../../model/site.ts';
import { parseUrl } from '../../model/url.ts';
import type { SettingValue } from '../../model/values.ts';
import type { Settings } from '../../known/settings/list.ts';

/** Settings that the host cannot do without and that nobody set: their values are those of the site. */
export function withSiteValues(
  settings: Settings,
  card: CompiledCard,
  { target, site }: { target: CompiledTarget | null; site: Site | null },
): Settings {
  let laid = settings;
  for (const { setting, fromSite, targets } of card.needed) {
    if (settings[setting] !== undefined || !site || (targets && !targets.includes(target?.name ?? ''))) continue;
    laid = { ...laid, [setting]: valueOf(site, fromSite) };
  }
  return laid;
}

const valueOf = (site: Site, what: 'domain' | 'language'): SettingValue =>
  what === 'language' ? site.language : (parseUrl(site.address)?.hostname ?? '');
