import { defineForm } from '../form.ts';
import type { TreeNode } from '../tree.ts';
import { responsive } from './responsive.ts';

const text = (value: string): TreeNode => ({ pieces: [{ text: value }] });
const element = (
  tag: string,
  attributes: Record<string, string>,
  children: readonly TreeNode[] = [],
  block = false,
): TreeNode => ({
  tag,
  attributes: Object.entries(attributes).map(([name, value]) => ({ name, value: [{ text: value }] })),
  children,
  block,
});

export const page = defineForm({
  id: 'page',
  label: 'Whole page',
  help: 'A page of its own with the responsive code in it, to try in a browser.',
  language: 'html',
  carries: 'everything',
  write: (input) => {
    const title = String(input.plan.frame.title ?? '').trim() || 'Test page';
    const head = [
      element('meta', { charset: 'utf-8' }, [], true),
      element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }, [], true),
      element('title', {}, [text(title)]),
      { verbatim: '\n' },
      element('style', {}, [
        { verbatim: `body{max-width:${input.site?.column ?? 720}px;margin:24px auto;padding:0 16px;font-family:sans-serif}` },
      ]),
      { verbatim: '\n' },
    ];
    const body = [...responsive.write(input), { verbatim: '\n' }];
    return [
      { verbatim: '<!doctype html>\n' },
      element(
        'html',
        { lang: input.site?.language ?? 'en' },
        [element('head', {}, head, true), element('body', {}, body, true)],
        true,
      ),
    ];
  },
});
