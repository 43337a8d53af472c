import { featureKey } from '../model/features.ts';
import type { Origin, Plan } from '../model/plan.ts';
import type { TreeAttribute, TreeNode } from '../steps/write/tree.ts';

/** One thing that code can say, by its key, with what it comes from. */
export interface Slot {
  /** The value of an attribute, a whole declaration, a whole parameter; null for a bare attribute name. */
  text: string | null;
  origin: Origin;
  /** A parameter that nobody knows, as the item has it. */
  parameter?: string;
}

/** Everything that the code of a plan says, each part by a key of its own. */
export interface Slots {
  /** The address before its parameters. */
  base: string;
  baseOrigin: Origin;
  parameters: ReadonlyMap<string, Slot>;
  attributes: ReadonlyMap<string, Slot>;
  style: ReadonlyMap<string, Slot>;
  allow: ReadonlyMap<string, Slot>;
}

type Element = Extract<TreeNode, { tag: string }>;

/** The slots of an element as it would be written. */
export function slotsOf({ attributes }: Element, plan: Plan): Slots {
  const named = (name: string): TreeAttribute | undefined => attributes.find((a) => a.name === name);
  const own = attributes.filter(({ name }) => !['src', 'style', 'allow'].includes(name));
  return {
    base: plan.base.map((b) => b.text).join(''),
    baseOrigin: plan.base.find((b) => b.origin !== 'item')?.origin ?? 'item',
    parameters: new Map(
      plan.parts.map((p) => [
        `${p.in}:${p.name}`,
        { text: p.raw, origin: p.origin, ...(p.origin === 'item' && { parameter: p.raw }) },
      ]),
    ),
    attributes: new Map(own.map((a) => [a.name, { text: a.value && textOf(a), origin: originOf(a) }])),
    style: pieces(named('style'), /;/, (text) => text.slice(0, text.indexOf(':')).trim()),
    allow: pieces(named('allow'), /; /, featureKey),
  };
}

/** The slots of a placeholder: nothing but attributes. */
export function attributeSlots(attributes: readonly { name: string; value: string; origin: Origin }[]): Slots {
  const none: ReadonlyMap<string, Slot> = new Map();
  const slots = new Map(attributes.map(({ name, value, origin }) => [name, { text: value, origin }]));
  return { base: '', baseOrigin: 'item', parameters: none, attributes: slots, style: none, allow: none };
}

const textOf = ({ value }: TreeAttribute): string => (value ?? []).map((piece) => piece.text).join('');
const originOf = ({ origin, value }: TreeAttribute): Origin => origin ?? value?.find((p) => p.origin)?.origin ?? 'item';

/** The pieces of a list within an attribute; a piece may itself hold several. */
function pieces(attribute: TreeAttribute | undefined, joint: RegExp, keyOf: (text: string) => string): Map<string, Slot> {
  const slots = new Map<string, Slot>();
  for (const { text, origin = 'item' } of attribute?.value ?? [])
    for (const part of text.split(joint)) if (part !== '' && part !== ';' && part !== '; ') add(slots, part, origin, keyOf);
  return slots;
}

function add(slots: Map<string, Slot>, text: string, origin: Origin, keyOf: (text: string) => string): void {
  const key = keyOf(text);
  if (key !== '' && !slots.has(key)) slots.set(key, { text, origin });
}
