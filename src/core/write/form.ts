import type { Facts, Item } from '../model/item.ts';
import type { Plan } from '../model/plan.ts';
import type { Site } from '../model/site.ts';
import type { TreeNode } from './tree.ts';

export interface WriteInput {
  item: Item;
  plan: Plan;
  site: Site | null;
  facts: Facts;
}

/** A form of code: how a plan is laid down for one kind of page editor. */
export interface Form<Id extends string = string> {
  readonly id: Id;
  readonly label: string;
  readonly help: string;
  readonly language: 'html' | 'jsx' | 'text';
  /** What can be read back out of it: frame and settings, the item alone, or nothing. */
  readonly carries: 'everything' | 'item' | 'nothing';
  /** No frame stands in it, but words and addresses. */
  readonly frameless?: true;
  /** What it makes of a cover: the page that stands there until a visitor asks, or the picture alone. */
  readonly cover?: 'page' | 'picture';
  readonly write: (input: WriteInput) => readonly TreeNode[];
}

export function defineForm<const Id extends string>(form: Form<Id>): Form<Id> {
  return form;
}
