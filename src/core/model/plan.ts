import type { SettingId, Settings } from '../known/settings/list.ts';
import type { Parameter } from './item.ts';
import type { SettingValue } from './values.ts';

export const STATES = ['sent', 'done here', 'in part', 'not offered', 'conflict', 'not applicable'] as const;
export type State = (typeof STATES)[number];

/** Where a piece of an address or of the markup comes from: a setting, or the item itself. */
export type Origin = SettingId | 'item';

/** What is sent to the host for a setting, exactly. */
export interface Sent {
  in: 'query' | 'fragment' | 'origin' | 'attribute' | 'path' | 'packed' | 'frameAttribute';
  name: string;
  value: string;
  /** The pack of the card that it stands in. */
  pack?: string;
  /** Nothing but the name. */
  bare?: boolean;
  /** Text in JSON, whatever it looks like. */
  quoted?: boolean;
}

/** Why a setting ended in its state, as data. Notes are the card's own words, with their date. */
export type Reason =
  | { code: 'sent' }
  | { code: 'alreadySo' }
  | { code: 'byFrame' }
  | { code: 'byElement' }
  | { code: 'byCover' }
  | { code: 'byPage' }
  | { code: 'ownFile' }
  | { code: 'formLacks' }
  | { code: 'scriptMakesFrame' }
  | { code: 'fromSite' }
  | { code: 'elementLacks'; kind: string }
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
  /** Where one parameter comes from two settings: its pieces. */
  pieces?: readonly { text: string; origin?: Origin }[];
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

/** A placeholder element and the script that turns it into the embed. */
export interface ScriptPlan {
  element: string;
  attributes: readonly { name: string; value: string; origin: Origin }[];
  /** A picture within the placeholder, for as long as the script has not run. */
  picture: { src: string; alt: string } | null;
  text: string | null;
  src: string;
}

/** Everything that writing needs, and what became of each setting. */
export interface Plan {
  entries: readonly PlanEntry[];
  /** The frame address before what is sent, in pieces. */
  base: readonly { text: string; origin: Origin }[];
  parts: readonly AddressPart[];
  /** The share link, with the settings that it can carry. */
  link: { base: string; parts: readonly AddressPart[] };
  /** Behind a cover: the parameters once a visitor has asked for the player; null where nothing waits for that. */
  pressed: readonly AddressPart[] | null;
  allow: readonly { feature: string; origin: Origin }[];
  /** What gives the frame leave to fill the screen, which an attribute of its own says too; null where nothing does. */
  fullscreen: Origin | null;
  /** The host's script code, where it has no frame: its placeholder's attributes, and the script. */
  script: ScriptPlan | null;
  /** A media file that needs no host: the element of our own that plays it. */
  media: 'video' | 'audio' | 'img' | null;
  box: Box;
  /** Settings done by the frame's own markup. */
  frame: Settings;
}
