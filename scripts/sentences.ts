import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** Where sentences are said, and the folders of the core whose rules name themselves. */
const ROOMS = ['src/app', 'src/messages', 'src/cli', 'src/core', 'src/server'];
const SAID = new Set(['t', 'rich']);
/** What rules, settings and forms of the core call themselves by. */
const NAMED = new Set(['label', 'help', 'holds', 'about', 'summary']);
const DEFINES = /^define(?:[A-Z]\w*)?$/;

/** One sentence: the English, and the catalogue that it belongs to. */
export interface Said {
  readonly english: string;
  readonly room: string;
  /** How it is said: as text, or with elements in it. */
  readonly call: 't' | 'rich';
  /** Names of the values that are given with it; null for a sentence without. */
  readonly values: readonly string[] | null;
}

/** Schemas say what is wrong in the second place of these, or as a message. */
const REFINES = new Set(['regex', 'refine']);
const REASONS = new Set(['message', 'why']);

const isLiteral = (node: ts.Node): node is ts.StringLiteralLike => ts.isStringLiteralLike(node);

/** Catalogues are by screen; what several screens say is in that of their folder. */
const roomOf = (file: string): string => /^src\/app\/screens\/(\w+)/.exec(file)?.[1] ?? /^src\/(\w+)/.exec(file)![1]!;

function* walk(node: ts.Node): Generator<ts.Node> {
  yield node;
  const inside: ts.Node[] = [];
  node.forEachChild((child) => void inside.push(child));
  for (const child of inside) yield* walk(child);
}

function valuesOf(call: ts.CallExpression): readonly string[] | null {
  const given = call.arguments[1];
  if (!given || !ts.isObjectLiteralExpression(given)) return null;
  return given.properties.flatMap(({ name }) => (name ? [name.getText()] : []));
}

/** A sentence of the core that a rule, a setting or a form calls itself by. */
const namesItself = (node: ts.Node): boolean =>
  ts.isPropertyAssignment(node) &&
  NAMED.has(node.name.getText()) &&
  ts.isObjectLiteralExpression(node.parent) &&
  ts.isCallExpression(node.parent.parent) &&
  DEFINES.test(node.parent.parent.expression.getText());

/** What stands in a place of a message: texts, also of constants of the file and of both ends of a choice; values as names. */
function* reasonsIn(node: ts.Node | undefined, constants: ReadonlyMap<string, string>): Generator<string> {
  if (!node) return;
  if (isLiteral(node)) yield node.text;
  else if (ts.isTemplateExpression(node))
    yield [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join('{name}');
  else if (ts.isConditionalExpression(node)) for (const end of [node.whenTrue, node.whenFalse]) yield* reasonsIn(end, constants);
  else if (constants.has(node.getText())) yield constants.get(node.getText())!;
}

/** Why a schema of the core refuses a value: said where it is shown. */
function* refusalsIn(source: ts.SourceFile): Generator<string> {
  const constants = new Map<string, string>();
  for (const node of walk(source)) {
    if (ts.isVariableDeclaration(node) && node.initializer && isLiteral(node.initializer))
      constants.set(node.name.getText(), node.initializer.text);
    if (ts.isCallExpression(node) && ts.isPropertyAccessExpression(node.expression) && REFINES.has(node.expression.name.text))
      yield* reasonsIn(node.arguments[1], constants);
    if (ts.isPropertyAssignment(node) && REASONS.has(node.name.getText())) yield* reasonsIn(node.initializer, constants);
  }
}

function* saidIn(file: string, text: string): Generator<Said> {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const room = roomOf(file);
  // What has no space is a code.
  if (room === 'core')
    for (const english of refusalsIn(source)) if (english.includes(' ')) yield { english, room, call: 't', values: null };
  for (const node of walk(source)) {
    if (namesItself(node) && isLiteral((node as ts.PropertyAssignment).initializer))
      yield {
        english: ((node as ts.PropertyAssignment).initializer as ts.StringLiteralLike).text,
        room,
        call: 't',
        values: null,
      };
    if (!ts.isCallExpression(node) || !SAID.has(node.expression.getText())) continue;
    const [first] = node.arguments;
    if (first && isLiteral(first))
      yield { english: first.text, room, call: node.expression.getText() as Said['call'], values: valuesOf(node) };
    else if (!first || !NAMED.has(first.getText().split('.').at(-1)!))
      throw new Error(`${file}: a sentence is said that is not written there: ${node.getText()}`);
  }
}

/** Every sentence that publishers read, in the order of the files. */
export function sentences(root: string): Said[] {
  return ROOMS.flatMap((folder) =>
    readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.tsx?$/.test(file) && !/\.(?:test|cases)\.tsx?$/.test(file))
      .sort()
      .flatMap((file) => {
        const path = join(folder, file).replaceAll('\\', '/');
        return [...saidIn(path, readFileSync(join(root, path), 'utf8'))];
      }),
  );
}
