import type { Context } from '../../context.ts';
import type { Item } from '../../model/item.ts';
import type { Plan } from '../../model/plan.ts';
import type { TreeNode } from './tree.ts';

/** What a form of code is written from. */
export interface WriteInput extends Pick<Context, 'site' | 'facts'> {
  item: Item;
  plan: Plan;
}

/** A form of code: how a plan is laid down for one kind of page editor. */
export interface CodeForm<Id extends string = string> {
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
  /** Ending and media type of a file of it; HTML where nothing is said. */
  readonly file?: { ending: string; type: string };
  /** The form in which the preview shows it; the responsive one where nothing is said. */
  readonly shownAs?: string;
  /** Offered where a page editor takes something out of another form: what of the embed it then leads to. */
  readonly insteadOf?: 'frame' | 'link';
  readonly write: (input: WriteInput) => readonly TreeNode[];
}

/** A form of code, with its id as a type of its own. */
export function defineForm<const Id extends string>(form: CodeForm<Id>): CodeForm<Id> {
  return form;
}
