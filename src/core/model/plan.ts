import type { SettingId, Settings } from '../settings/list.ts';
import type { Parameter } from './item.ts';
import type { SettingValue } from './values.ts';

export const STATES = ['sent', 'done here', 'in part', 'not offered', 'conflict', 'not applicable'] as const;
export type State = (typeof STATES)[number];

/** Where a piece of an address or of the markup comes from: a setting, or the item itself. */
export type Origin = SettingId | 'item';

/** What is sent to the host for a setting, exactly. */
export interface Sent {
  in: 'query' | 'fragment' | 'origin';
  name: string;
  value: string;
}

/** Why a setting ended in its state, as data. Notes are the card's own words, with their date. */
export type Reason =
  | { code: 'sent' }
  | { code: 'alreadySo' }
  | { code: 'byFrame' }
  | { code: 'limited'; happens: string; date: string }
  | { code: 'nearest'; value: SettingValue; since: string; note: string }
  | { code: 'withdrawn'; since: string; note: string }
  | { code: 'hostLacks'; host: string }
  | { code: 'valueLacks'; host: string; nearest: SettingValue | null }
  | { code: 'noHost' }
  | { code: 'otherKind'; kind: string }
  | { code: 'otherTarget'; form: string }
  | { code: 'autoplayNeedsMute' }
  | { code: 'endBeforeStart' }
  | { code: 'widthNeedsMode' }
  | { code: 'ratioAndHeight' };

/** A change of settings that puts something right; null takes a setting back. */
export type SettingsFix = { readonly [Id in SettingId]?: SettingValue | null };

/** What became of one setting that was asked for. */
export interface PlanEntry {
  setting: SettingId;
  asked: SettingValue;
  state: State;
  reason: Reason;
  sent: readonly Sent[];
  fix?: SettingsFix;
}

/** A parameter of the frame address and what it comes from. */
export interface AddressPart extends Omit<Parameter, 'value'> {
  origin: Origin;
}

/** How the frame is sized: width in the column, and height by ratio or by number. CSS pixels. */
export interface Box {
  mode: 'fill' | 'atMost' | 'fixed';
  width: number;
  height: { by: 'ratio'; ratio: string } | { by: 'number'; pixels: number };
  /** Which of the settings decided it. */
  widthFrom: Origin;
  heightFrom: Origin;
}

/** Everything that writing needs, and what became of each setting. */
export interface Plan {
  entries: readonly PlanEntry[];
  /** The frame address before what is sent, in pieces. */
  base: readonly { text: string; origin: Origin }[];
  parts: readonly AddressPart[];
  /** The share link, with the settings that it can carry. */
  link: { base: string; parts: readonly AddressPart[] };
  allow: readonly { feature: string; origin: Origin }[];
  fullscreen: boolean;
  box: Box;
  /** Settings done by the frame's own markup. */
  frame: Settings;
}
