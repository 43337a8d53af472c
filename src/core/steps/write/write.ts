import type { Code } from '../../model/code.ts';
import type { WriteInput } from './form.ts';
import { formOf, type CodeFormId } from './forms/list.ts';
import { serialise } from './tree.ts';

/** Step 4, `plan + form → code + map`: built as a tree, serialised once, every text escaped for where it stands. */
export function write(input: WriteInput, form: CodeFormId): Code {
  const { language, frameless = false, write: build } = formOf(form);
  return { form, framed: !frameless, markup: language === 'html', ...serialise(build(input), language) };
}
