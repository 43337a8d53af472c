import { defaultKeymap } from '@codemirror/commands';
import { html } from '@codemirror/lang-html';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { setDiagnostics, type Diagnostic } from '@codemirror/lint';
import type { Transaction } from '@codemirror/state';
import { EditorState, RangeSetBuilder, StateEffect, StateField } from '@codemirror/state';
import { Decoration, EditorView, keymap, WidgetType, type DecorationSet } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { useEffect, type ReactElement } from 'react';
import type { CodeRange } from '../../../core/model/code.ts';
import type { Origin } from '../../../core/model/plan.ts';
import { breaksIn } from './codeLines.ts';
import type { CodeTrouble } from './codeTroubles.ts';
import { fromOutside, sayInEditor, styleNonce, undoKeys, useEditor } from '../../ui/useEditor.ts';
import { t } from '../../../messages/t.ts';

export interface CodeEditorProps {
  text: string;
  /** Nothing can be read back out of this form, so it is not changed by hand. */
  fixed: boolean;
  map: readonly CodeRange[];
  pointed: Origin | null;
  troubles: readonly CodeTrouble[];
  edited: (text: string) => void;
  point: (origin: Origin | null) => void;
  open: (origin: Origin) => void;
  undo: () => void;
  redo: () => void;
  left: () => void;
}

/** What belongs to the markup is quiet, what is said in it is ink. */
const ink = HighlightStyle.define([
  { tag: [tags.tagName, tags.attributeValue, tags.string], color: 'var(--ink)' },
  { tag: [tags.attributeName, tags.angleBracket, tags.definitionOperator], color: 'var(--quiet)' },
  { tag: tags.comment, color: 'var(--quiet)', fontStyle: 'italic' },
]);

const lay = StateEffect.define<{ map: readonly CodeRange[]; pointed: Origin | null }>();
/** Which stretch of the code comes from which setting, as marks that can be pointed at. */
const marks = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (laid, transaction) => {
    for (const effect of transaction.effects) if (effect.is(lay)) return decorate(effect.value, transaction.newDoc.length);
    return laid.map(transaction.changes);
  },
  provide: (field) => EditorView.decorations.from(field),
});

function decorate({ map, pointed }: { map: readonly CodeRange[]; pointed: Origin | null }, length: number): DecorationSet {
  const builder = new RangeSetBuilder<Decoration>();
  for (const { range, origin } of map)
    if (range[1] <= length && range[0] < range[1])
      builder.add(
        ...range,
        Decoration.mark({
          class: 'code-part',
          attributes: {
            'data-origin': origin,
            'data-pointed': String(origin === pointed),
            ...(origin !== 'item' && { 'data-setting': '' }),
          },
        }),
      );
  return builder.finish();
}

/** The end of a line that is shown and not written. */
class ShownBreak extends WidgetType {
  override eq(): boolean {
    return true;
  }
  toDOM(): HTMLElement {
    return document.createElement('br');
  }
}
const SHOWN_BREAK = Decoration.widget({ widget: new ShownBreak(), side: -1 });
const breakUp = (text: string): DecorationSet => Decoration.set(breaksIn(text).map((at) => SHOWN_BREAK.range(at)));
const lines = StateField.define<DecorationSet>({
  create: ({ doc }) => breakUp(doc.toString()),
  update: (laid, { docChanged, newDoc }) => (docChanged ? breakUp(newDoc.toString()) : laid),
  provide: (field) => EditorView.decorations.from(field),
});

const originAt = ({ target }: Event): Origin | null =>
  target instanceof Element
    ? ((target.closest<HTMLElement>('[data-origin]')?.dataset.origin as Origin | undefined) ?? null)
    : null;

/** The code as an editor: typing changes the settings, settings change the code, and what is typed is never corrected. */
export function CodeEditor(props: CodeEditorProps): ReactElement {
  const { place, view } = useEditor(props, stateFor);

  const { text, map, pointed, troubles } = props;
  useEffect(() => {
    const editor = view.current!;
    const changes = difference(editor.state.doc.toString(), text);
    editor.dispatch({ ...(changes && { changes }), effects: lay.of({ map, pointed }), annotations: [fromOutside.of(true)] });
  }, [text, map, pointed, view]);
  useEffect(() => {
    const editor = view.current!;
    editor.dispatch(setDiagnostics(editor.state, troubles.map(toDiagnostic(editor.state.doc.length))));
  }, [troubles, view]);

  return <div ref={place} className="code-text" />;
}

const toDiagnostic =
  (length: number) =>
  ({ range, severity, words }: CodeTrouble): Diagnostic => ({
    from: Math.min(range[0], length),
    to: Math.min(range[1], length),
    severity,
    message: words,
  });

/** The one stretch in which two texts differ, so that the cursor outside it stays where it is. */
function difference(before: string, after: string): { from: number; to: number; insert: string } | undefined {
  if (before === after) return undefined;
  let from = 0;
  while (from < before.length && from < after.length && before[from] === after[from]) from++;
  let tail = 0;
  while (
    tail < before.length - from &&
    tail < after.length - from &&
    before[before.length - 1 - tail] === after[after.length - 1 - tail]
  )
    tail++;
  return { from, to: before.length - tail, insert: after.slice(from, after.length - tail) };
}

function stateFor(latest: { current: CodeEditorProps }): EditorState {
  return EditorState.create({
    doc: latest.current.text,
    extensions: [
      ...styleNonce(),
      sayInEditor(),
      // Undo is that of the whole Bench, so it goes before the editor's own keys.
      keymap.of([...undoKeys({ undo: () => latest.current.undo(), redo: () => latest.current.redo() }), ...defaultKeymap]),
      EditorView.lineWrapping,
      html(),
      syntaxHighlighting(ink),
      marks,
      lines,
      EditorState.changeFilter.of((transaction) => !latest.current.fixed || transaction.annotation(fromOutside) === true),
      EditorView.contentAttributes.of({ 'aria-label': t('The code'), spellcheck: 'false' }),
      EditorView.updateListener.of(({ docChanged, transactions, state }) => {
        if (docChanged && !transactions.some((t: Transaction) => t.annotation(fromOutside)))
          latest.current.edited(state.doc.toString());
      }),
      EditorView.domEventHandlers({
        mouseover: (event) => latest.current.point(originAt(event)),
        mouseleave: () => latest.current.point(null),
        blur: () => latest.current.left(),
        dblclick: (event) => {
          const origin = originAt(event);
          if (origin && origin !== 'item') latest.current.open(origin);
        },
      }),
    ],
  });
}
