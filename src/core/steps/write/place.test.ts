import fc from 'fast-check';
import { Parser } from 'htmlparser2';
import { expect, test } from 'vitest';
import { findRunning } from '../../model/markup/running.ts';
import { bringIn, makeEmbed } from '../../pipeline.ts';
import { book, runs, sites } from '../../../laws/world.ts';

const TEMPLATES = [
  '[frame address="{{frame}}" title="{{title}}"]',
  "[frame address='{{frame}}' title='{{title}}']",
  '[frame address={{frame}} title={{title}}]',
  '[frame address="{{link}}"]{{title}}[/frame]',
  '<a href="{{title}}">{{{title}}}</a>',
  "<a href='{{{title}}}' data-x={{title}}>{{&title}}</a>",
  '<div data-a = "{{title}}" data-b = {{title}} {{title}}>x</div>',
  '<div onclick="go(\'{{title}}\')">x</div>',
  '<script>let title = "{{title}}";</script>',
  '<iframe src="{{frame}}" srcdoc="<p>{{title}}</p>"></iframe>',
  '{{#title}}<b title="{{title}}">{{/title}}{{^title}}none{{/title}}',
];
const hostile = fc
  .array(
    fc.constantFrom(
      '"',
      "'",
      '<',
      '>',
      ']',
      '[',
      '/]',
      ' ',
      '=',
      'x',
      'onload=x()',
      'javascript:x()',
      '</script>',
      '<img src=x onerror=x()>',
      '\n',
      '`',
      '\\',
      ');x(',
      '{{',
      '}}',
      '&quot;',
      '&#34;',
    ),
    { minLength: 1, maxLength: 6 },
  )
  .map((parts) => parts.join(''));

/** Names of elements and attributes, and what runs. */
function bones(markup: string): unknown {
  const found: unknown[] = [];
  const parser = new Parser({ onopentag: (name, attributes) => found.push([name, Object.keys(attributes)]) });
  parser.end(markup);
  return [found, findRunning(markup).map(({ kind, name }) => `${kind} ${name}`)];
}
/** A short code with its attributes as the bones of a tag. */
const asTags = (text: string): string => text.replaceAll('[', '<').replaceAll(']', '>');

test('a value in a template adds nothing, wherever it stands', () => {
  const { item } = bringIn('http://lanternreel.localhost:4600/see/k7wq2m9d', book)[0]!;
  const fill = (shortcode: string, title: string): string =>
    makeEmbed(item!, { title }, { book, site: { ...sites[0]!, shortcode }, form: 'shortcode', facts: {} }).code.text;
  fc.assert(
    fc.property(fc.constantFrom(...TEMPLATES), hostile, (template, title) => {
      const [made, plain] = [fill(template, title), fill(template, 'x')];
      if (template.startsWith('[')) {
        expect(made.replace(/[^[\]]/g, '')).toBe(plain.replace(/[^[\]]/g, ''));
        expect(bones(asTags(made)), made).toEqual(bones(asTags(plain)));
      } else if (!template.includes('{{title}}>')) expect(bones(made), made).toEqual(bones(plain));
      else expect(bones(made), made).not.toContain('onload');
      const script = /^<script>([^]*)<\/script>$/.exec(made)?.[1];
      if (script !== undefined) expect(script, made).toMatch(/^let title = "(?:[A-Za-z0-9 ]|\\u[0-9a-f]{4})*";$/);
    }),
    runs(1000),
  );
});
