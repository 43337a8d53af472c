import type { Context } from '../core/context.ts';
import type { Settings } from '../core/known/settings/list.ts';
import type { Item } from '../core/model/item.ts';
import { makeEmbed } from '../core/pipeline.ts';
import type { CodeFormId } from '../core/steps/write/forms/list.ts';

/** The code for an item as plain data: `item`, `plan`, `code` and `findings`. */
export function embedAnswer(item: Item, asked: Settings, context: Context & { form: CodeFormId }) {
  const { facts } = context;
  const settings = { ...(facts.title !== undefined && { title: facts.title }), ...item.settings, ...asked };
  const { item: made, plan, code, findings } = makeEmbed(item, settings, context);
  return { item: made, plan, code: code.text, findings };
}
