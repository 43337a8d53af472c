import { Annotation, EditorState, type Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { t } from '../../messages/t.ts';
import { useEffect, useRef, type RefObject } from 'react';

/** A change that came from outside is no edit of whoever types. */
export const fromOutside = Annotation.define<boolean>();

/** An editor within an element, whose state sees what it was given last. */
export function useEditor<Props>(
  props: Props,
  stateFor: (latest: { current: Props }) => EditorState,
): { place: RefObject<HTMLDivElement | null>; view: RefObject<EditorView | null> } {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const latest = useRef(props);
  const begin = useRef(stateFor);
  useEffect(() => {
    latest.current = props;
  });
  useEffect(() => {
    const editor = new EditorView({ parent: place.current!, state: begin.current(latest) });
    view.current = editor;
    return () => editor.destroy();
  }, []);
  return { place, view };
}

/** The policy of the page lets the editor’s own styles in by its nonce. */
export function styleNonce(): Extension[] {
  const nonce = document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content;
  return nonce ? [EditorView.cspNonce.of(nonce)] : [];
}

/** What the editor itself says, in the language of the reader: its own words, each by the English of the package. */
export const sayInEditor = (): Extension =>
  EditorState.phrases.of({
    Completions: t('Suggestions'),
    'Control character': t('Control character'),
    'Selection deleted': t('Selection deleted'),
  });

/** Keys of an undo that is not the editor’s own, but goes over more than its text. */
export function undoKeys({ undo, redo }: { undo: () => void; redo: () => void }): { key: string; run: () => boolean }[] {
  const run = (act: () => void) => (): boolean => {
    act();
    return true;
  };
  return [
    { key: 'Mod-z', run: run(undo) },
    { key: 'Mod-Shift-z', run: run(redo) },
    { key: 'Mod-y', run: run(redo) },
  ];
}
