import { getLocation, type JSONPath, type Segment } from 'jsonc-parser';
import { z } from 'zod';
import { cardSchema } from '../../../../core/known/hosts/card.ts';
import { t } from '../../../../messages/t.ts';

/** A word that may stand at a place of a card's JSON, ready to be put in. */
export interface Completion {
  label: string;
  /** As JSON. */
  text: string;
  told: string;
}

interface Schema {
  type?: string;
  description?: string;
  properties?: Record<string, Schema>;
  required?: string[];
  additionalProperties?: Schema | boolean;
  propertyNames?: Schema;
  items?: Schema;
  enum?: unknown[];
  const?: unknown;
  anyOf?: Schema[];
  oneOf?: Schema[];
}

let whole: Schema | undefined;
const schemaOfCards = (): Schema => (whole ??= z.toJSONSchema(cardSchema, { io: 'input' }) as Schema);

/** All shapes that a schema allows, one by one. */
const shapesOf = (schema: Schema): Schema[] => {
  const others = [...(schema.anyOf ?? []), ...(schema.oneOf ?? [])];
  return others.length > 0 ? others.flatMap(shapesOf) : [schema];
};

function within(schemas: readonly Schema[], step: Segment): Schema[] {
  return schemas.flatMap((schema) => {
    if (typeof step === 'number') return schema.items ? shapesOf(schema.items) : [];
    const named = schema.properties && Object.hasOwn(schema.properties, step) ? schema.properties[step] : undefined;
    const rest = typeof schema.additionalProperties === 'object' ? schema.additionalProperties : undefined;
    const next = named ?? rest;
    return next ? shapesOf(next) : [];
  });
}

const at = (path: JSONPath): Schema[] => path.reduce<Schema[]>(within, shapesOf(schemaOfCards()));

/** What may stand at a place in the text of a card (JSON Schema, draft 2020-12), and the stretch that it would replace. */
export function completionsAt(text: string, offset: number): { from: number; to: number; all: Completion[] } | null {
  const { path, previousNode, isAtPropertyKey } = getLocation(text, offset);
  const [from, to] = previousNode
    ? [previousNode.offset, previousNode.offset + previousNode.length]
    : [text.slice(0, offset).search(/\w*$/), offset];
  if (offset < from || offset > to) return null;
  const all = isAtPropertyKey ? keysAt(path) : valuesAt(path);
  return all.length === 0 ? null : { from, to, all };
}

function keysAt(path: JSONPath): Completion[] {
  const found = new Map<string, Completion>();
  for (const { properties = {}, required = [], propertyNames } of at(path.slice(0, -1))) {
    for (const [label, { description = '' }] of Object.entries(properties))
      found.set(label, {
        label,
        text: JSON.stringify(label),
        told: required.includes(label) ? t('needed {description}', { description }) : description,
      });
    for (const label of propertyNames?.enum ?? [])
      found.set(String(label), { label: String(label), text: JSON.stringify(label), told: '' });
  }
  return [...found.values()];
}

function valuesAt(path: JSONPath): Completion[] {
  const values = at(path).flatMap(({ enum: some = [], const: one, type }) => [
    ...some,
    ...(one === undefined ? [] : [one]),
    ...(type === 'boolean' ? [true, false] : []),
  ]);
  return [...new Set(values)].map((value) => ({ label: String(value), text: JSON.stringify(value), told: '' }));
}
