import type { CompiledCard, CompiledTarget } from '../../known/hosts/compile.ts';
import type { Item } from '../../model/item.ts';
import { own } from '../../model/own.ts';
import type { Address } from './address.ts';

type Draft = { -readonly [Key in keyof Item]: Item[Key] };

export const NOTHING_KEPT: Item['kept'] = { attributes: [], style: [] };

/** The item that a card's target and the captures name, without anything asked for. */
export function makeItem({ card }: CompiledCard, shape: CompiledTarget, values: Readonly<Record<string, string>>): Draft {
  const canonical = shape.canonical(values);
  return {
    host: card.id,
    kind: shape.target.kind,
    scope: shape.target.scope,
    id: identifierOf(shape.target.id, values),
    form: '',
    target: shape.name,
    captures: values,
    canonical,
    frame: shape.frame && shape.frame(shape.holdsLink ? { ...values, canonical } : values),
    ratio: shape.target.fit.by === 'ratio' ? shape.target.fit.ratio : null,
    settings: {},
    unknown: [],
    dropped: [],
    kept: NOTHING_KEPT,
  };
}

function identifierOf(names: readonly string[], values: Readonly<Record<string, string>>): string {
  return names.map((name) => own(values, name) ?? '').join('/');
}

/** An address of no card: the frame can be set, its own parameters stay. */
export function unknownItem(address: Address): Draft {
  const base = address.origin + address.path;
  return {
    host: null,
    kind: 'page',
    scope: 'item',
    id: null,
    form: 'address',
    target: null,
    captures: {},
    canonical: base,
    frame: base,
    ratio: null,
    settings: {},
    unknown: address.parameters,
    dropped: [],
    kept: NOTHING_KEPT,
  };
}
