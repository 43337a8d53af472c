import { isHonoured, placeOf } from '../../known/hosts/compile.ts';
import { byElement, onPlaceholder } from '../../known/hosts/byElement.ts';
import type { CardSetting, HonouredSetting, HostCard, SettingPlace } from '../../known/hosts/card.ts';
import { spell, spellList } from '../../known/hosts/spellings.ts';
import { own } from '../../model/own.ts';
import type { Item } from '../../model/item.ts';
import type { PlanEntry, Reason, Sent, State } from '../../model/plan.ts';
import type { SettingValue } from '../../model/values.ts';
import { makesSense, needsFrame, needsNoHost, settingOf, type SettingId } from '../../known/settings/list.ts';
import type { Asked } from './asked.ts';

type Outcome = readonly [state: State, reason: Reason, sent?: readonly Sent[]];

/** What becomes of one setting, looked at by itself. */
export function planSetting(id: SettingId, asked: Asked): PlanEntry {
  const value = asked.settings[id]!;
  const [state, reason, sent = []] = settle(id, value, asked);
  return { setting: id, asked: value, state, reason, sent };
}

function settle(id: SettingId, value: SettingValue, { item, card, target }: Asked): Outcome {
  const use = card?.card.settings[id];
  if (needsNoHost(id) && !isHonoured(use)) return doHere(id, value, { item, target });
  if (item.form === 'file') return playHere(id, value, item);
  if (!card) return ['not offered', { code: 'noHost' }];
  if (!makesSense(id, item.kind) && !isNamed(use, item.target)) return ['not applicable', { code: 'otherKind', kind: item.kind }];
  if (!use) return ['not offered', { code: 'hostLacks', host: card.card.name }];
  if (use.in === 'nowhere') return ['not offered', { code: 'withdrawn', since: use.since, note: use.note }];
  if (use.in === 'origin') return byOrigin(own(use.words, String(value)), value === use.usual, card.card.name);
  return isHonoured(use) ? honour(use, value, { item, card }) : ['not offered', { code: 'hostLacks', host: card.card.name }];
}

/** Our own markup does it: the frame, the cover before it, or what stands around it. */
function doHere(id: SettingId, value: SettingValue, { item, target }: Pick<Asked, 'item' | 'target'>): Outcome {
  const { moment, feature } = settingOf(id);
  if (!makesSense(id, item.kind)) return ['not applicable', { code: 'otherKind', kind: item.kind }];
  if (moment === 'around') return ['done here', { code: 'byPage' }];
  if (item.frame === null && !onPlaceholder.has(id)) return ['not offered', { code: 'scriptMakesFrame' }];
  if (item.form === 'file' && needsFrame(id))
    return byElement(id, item.kind) ? ['done here', { code: 'byElement' }] : ['not offered', { code: 'ownFile' }];
  if (item.form === 'file' && id === 'load' && value === 'ask') return ['not offered', { code: 'ownFile' }];
  if (item.form === 'file' && item.kind === 'audio' && id === 'ratio')
    return ['not offered', { code: 'elementLacks', kind: item.kind }];
  if (feature && value === 'on' && target?.target.allow.includes(feature)) return ['done here', { code: 'alreadySo' }];
  return ['done here', { code: moment === 'arrive' && id !== 'load' ? 'byCover' : 'byFrame' }];
}

function playHere(id: SettingId, value: SettingValue, { kind }: Item): Outcome {
  if (!makesSense(id, kind)) return ['not applicable', { code: 'otherKind', kind }];
  if (!byElement(id, kind)) return ['not offered', { code: 'elementLacks', kind }];
  if (id === 'page') return ['sent', { code: 'byElement' }, [{ in: 'fragment', name: 'page', value: String(value) }]];
  return ['done here', { code: 'byElement' }];
}

function byOrigin(group: string | undefined, usual: boolean, host: string): Outcome {
  if (group) return ['sent', { code: 'sent' }, [{ in: 'origin', name: 'domain', value: group }]];
  return usual ? ['sent', { code: 'alreadySo' }] : ['not offered', { code: 'valueLacks', host, nearest: null }];
}

function honour(use: HonouredSetting, value: SettingValue, { item, card }: Pick<Asked, 'item' | 'card'>): Outcome {
  const place = placeOf(use, item.target);
  if (standsOnPlaceholder(place, card!.card) !== (item.frame === null))
    return ['not offered', { code: 'hostLacks', host: card!.card.name }];
  if (use.targets && !use.targets.includes(item.target!)) return ['not applicable', { code: 'otherTarget', form: item.form }];
  const withdrawn = use.withdrawn.find((w) => w.value === value);
  const given = withdrawn ? withdrawn.nearest : value;
  const spelt = spell(place.spelling, given);
  if (spelt === undefined)
    return given === use.usual
      ? ['sent', { code: 'alreadySo' }]
      : ['not offered', { code: 'valueLacks', host: card!.card.name, nearest: use.usual ?? null }];
  const sent: Sent[] = [...sentAt(place, given, spelt), ...companions(use, item)];
  if (withdrawn)
    return ['in part', { code: 'nearest', value: withdrawn.nearest, since: withdrawn.since, note: withdrawn.note }, sent];
  const limit = use.limits.find(
    (l) => (!l.values || l.values.includes(String(value))) && (!l.targets || l.targets.includes(item.target!)),
  );
  return limit
    ? ['in part', { code: 'limited', happens: limit.happens, date: limit.date }, sent]
    : ['sent', { code: 'sent' }, sent];
}

/** What a card says of a target by its name holds, whatever kind of thing it is. */
const isNamed = (use: CardSetting | undefined, target: string | null): boolean =>
  isHonoured(use) && target !== null && use.targets?.includes(target) === true;

const standsOnPlaceholder = ({ in: place, pack }: SettingPlace, { packs }: HostCard): boolean =>
  place === 'attribute' || (place === 'packed' && packs[pack!]?.in === 'attribute');

/** What goes to the place: a list may repeat its parameter. */
function sentAt({ in: place, name, pack, bare, quoted, spelling }: SettingPlace, value: SettingValue, spelt: string): Sent[] {
  const more = { ...(pack !== undefined && { pack }), ...(bare && spelt === '' && { bare }), ...(quoted && { quoted }) };
  if (spelling.form !== 'list' || spelling.repeat === undefined) return [{ in: place, name, value: spelt, ...more }];
  const index = spelling.repeat === 'index';
  return spellList(spelling, value).map((one, i) => ({ in: place, name: index ? `${name}[${i}]` : name, value: one, ...more }));
}

/** What must be sent along; left out where the frame address holds it already, or the item has none. */
function companions(use: HonouredSetting, { frame, captures }: Item): Sent[] {
  const held = new URLSearchParams(frame?.split('?')[1] ?? '');
  return Object.entries(use.with).flatMap(([name, template]) => {
    const capture = template.startsWith('{') ? own(captures, template.slice(1, -1)) : template;
    return capture === undefined || held.has(name) ? [] : [{ in: 'query' as const, name, value: capture }];
  });
}
