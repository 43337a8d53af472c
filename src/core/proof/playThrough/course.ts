import type { PlayerMessages } from '../../known/hosts/card.ts';
import { requestFor } from '../../known/hosts/playerReport.ts';
import type { Facts, Item } from '../../model/item.ts';
import type { PlanEntry, SettingsFix } from '../../model/plan.ts';
import type { Settings } from '../../known/settings/list.ts';
import { PLAYS, TURNS } from './question.ts';

/** How a play-through goes about an embed. Times in seconds. */
export interface Course {
  how: 'plays' | 'turns' | 'shows';
  /** Whether nothing of what happens in the player is told: then a person has to look. */
  silent: boolean;
  /** Whether it stands behind a cover, which has to be pressed first. */
  covered: boolean;
  /** Seconds between two pages that turn by themselves; null where none do. */
  interval: number | null;
  /** Where it is over, as far as that is known beforehand. */
  over: number | null;
  /** How the end is come by: by asking the player to go there, by a second visit that begins there, or by nobody. */
  end: { by: 'seek' } | { by: 'visit'; change: SettingsFix } | null;
}

/** Seconds before the end at which the run goes on, and at which a person is shown it. */
export const SHORTLY = 3;
const TO_LOOK_AT = 10;

interface Known {
  item: Item;
  settings: Settings;
  facts: Facts;
  player: PlayerMessages | undefined;
  /** What would become of a setting if it were asked for. */
  would: (change: SettingsFix) => PlanEntry['state'];
}

/** How a player is led through: what it is told, how long it is watched, and what can be learnt from it. */
export function courseOf({ item, settings, facts, player, would }: Known): Course {
  const how = PLAYS.includes(item.kind) ? 'plays' : TURNS.includes(item.kind) ? 'turns' : 'shows';
  const turning = how === 'turns' && settings.autoplay === 'on' && would({ autoplay: 'on' }) === 'sent';
  const over = typeof settings.end === 'number' ? settings.end : (facts.duration ?? null);
  const silent = item.form !== 'file' && Object.keys(player?.events ?? {}).length === 0;
  const seeks = item.form === 'file' || (player !== undefined && requestFor(player, 'seek') !== undefined);
  return {
    how,
    silent,
    covered: settings.load === 'ask',
    interval: turning ? (typeof settings.interval === 'number' ? settings.interval : USUAL_INTERVAL) : null,
    over,
    end:
      how === 'plays' && seeks && !silent && item.kind !== 'live'
        ? { by: 'seek' }
        : shortVisit({ over, would, early: silent ? TO_LOOK_AT : SHORTLY, pages: turning ? facts.pages : undefined }),
  };
}

/** Seconds between slides of a host that was not told any. */
const USUAL_INTERVAL = 5;

/** A visit that begins shortly before the end, where the host can be told to begin there. */
function shortVisit({
  over,
  early,
  pages,
  would,
}: {
  over: number | null;
  early: number;
  pages: number | undefined;
  would: Known['would'];
}): Course['end'] {
  const change: SettingsFix | null =
    pages !== undefined
      ? { page: Math.max(1, pages - 1) }
      : over !== null
        ? { start: Math.max(0, Math.floor(over) - early) }
        : null;
  return change && would(change) === 'sent' ? { by: 'visit', change } : null;
}
