import { autocompletion, completionKeymap, type CompletionContext, type CompletionResult } from '@codemirror/autocomplete';
import { defaultKeymap } from '@codemirror/commands';
import { json } from '@codemirror/lang-json';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { setDiagnostics } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { useEffect, useImperativeHandle, type ReactElement, type Ref } from 'react';
import type { PlacedProblem } from './cardText.ts';
import { completionsAt } from './completions.ts';
import { fromOutside, sayInEditor, styleNonce, undoKeys, useEditor } from '../../../ui/useEditor.ts';
import { t } from '../../../../messages/t.ts';

export interface CardJsonHandle {
  /** Shows a stretch of the text, with the cursor on it. */
  show: (at: number, length: number) => void;
}

interface Props {
  text: string;
  problems: readonly PlacedProblem[];
  typed: (text: string) => void;
  undo: () => void;
  redo: () => void;
  ref: Ref<CardJsonHandle>;
}

const ink = HighlightStyle.define([
  { tag: tags.propertyName, color: 'var(--green)' },
  { tag: [tags.number, tags.bool, tags.null], color: 'var(--amber)' },
  { tag: [tags.separator, tags.squareBracket, tags.brace], color: 'var(--quiet)' },
]);

/** The card as its JSON, with what is wrong marked in place, and the words of the format offered while it is typed. */
export function CardJson(props: Props): ReactElement {
  const { place, view } = useEditor(props, stateFor);
  const { text, problems, ref } = props;
  useEffect(() => {
    const editor = view.current!;
    const { doc } = editor.state;
    if (doc.toString() !== text)
      editor.dispatch({ changes: { from: 0, to: doc.length, insert: text }, annotations: [fromOutside.of(true)] });
    const marks = problems.map(({ at, length, message }) => ({
      from: Math.min(at, text.length),
      to: Math.min(at + length, text.length),
      severity: 'error' as const,
      message,
    }));
    editor.dispatch(setDiagnostics(editor.state, marks));
  }, [text, problems, view]);
  useImperativeHandle(ref, () => ({
    show: (at, length) => {
      const editor = view.current!;
      const most = editor.state.doc.length;
      editor.dispatch({
        selection: { anchor: Math.min(at, most), head: Math.min(at + length, most) },
        effects: EditorView.scrollIntoView(Math.min(at, most), { y: 'center' }),
      });
      editor.focus();
    },
  }));
  return (
    <div ref={place} className="card-json min-h-[240px] flex-1 overflow-hidden border border-line bg-pane max-desk:h-[60vh]" />
  );
}

function complete({ state, pos, explicit }: CompletionContext): CompletionResult | null {
  const found = completionsAt(state.doc.toString(), pos);
  if (!found || (!explicit && found.from === pos)) return null;
  return {
    from: found.from,
    to: found.to,
    options: found.all.map(({ label, text, told }) => ({
      label: text,
      displayLabel: label,
      apply: text,
      info: told || undefined,
    })),
    filter: true,
  };
}

function stateFor(latest: { current: Props }): EditorState {
  return EditorState.create({
    doc: latest.current.text,
    extensions: [
      ...styleNonce(),
      sayInEditor(),
      autocompletion({ override: [complete], icons: false }),
      // Undo is that of drawing and text together, so it goes before the editor's own keys.
      keymap.of([
        ...undoKeys({ undo: () => latest.current.undo(), redo: () => latest.current.redo() }),
        ...completionKeymap,
        ...defaultKeymap,
      ]),
      json(),
      syntaxHighlighting(ink),
      EditorView.contentAttributes.of({ 'aria-label': t('The card as JSON'), spellcheck: 'false', tabindex: '0' }),
      EditorView.updateListener.of(({ docChanged, transactions, state }) => {
        if (docChanged && !transactions.some((one) => one.annotation(fromOutside))) latest.current.typed(state.doc.toString());
      }),
    ],
  });
}
