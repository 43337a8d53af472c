import './bench.css';
import './paste.css';
import './anatomy.css';
import './page.css';
import './moments.css';
import './code.css';
import './checks.css';
import { useEffect, type ClipboardEvent, type DragEvent, type ReactElement } from 'react';
import { broughtIn } from '../../state/bench.ts';
import { selectItem } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { loadFacts } from '../../state/world.ts';
import { AnatomyStrip } from './AnatomyStrip.tsx';
import { Checks } from './Checks.tsx';
import { CodePane } from './CodePane.tsx';
import { Moments } from './Moments.tsx';
import { PagePane } from './PagePane.tsx';
import { PasteLine } from './PasteLine.tsx';
import { useBenchAddress } from './useBenchAddress.ts';

/** The screen where one embed is made. Pasting or dropping anywhere on it brings something in. */
export function Bench(): ReactElement {
  const dispatch = useAppDispatch();
  const missing = useBenchAddress();
  useFacts();
  const bringIn = (text: string): void => {
    if (text.trim() !== '') dispatch(broughtIn(text));
  };
  const onPaste = (event: ClipboardEvent): void => {
    if (event.defaultPrevented || (event.target instanceof Element && event.target.closest('input, textarea'))) return;
    bringIn(event.clipboardData.getData('text/plain'));
  };
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    bringIn(event.dataTransfer.getData('text/uri-list').split('\n')[0] || event.dataTransfer.getData('text/plain'));
  };
  return (
    <div className="bench" onPaste={onPaste} onDrop={onDrop} onDragOver={(event) => event.preventDefault()}>
      <h1 className="hidden-words">Bench</h1>
      <PasteLine missing={missing} />
      <AnatomyStrip />
      <PagePane />
      <Moments />
      <div className="side">
        <CodePane />
        <Checks />
      </div>
    </div>
  );
}

/** Asks the host what it says of the item, once. */
function useFacts(): void {
  const dispatch = useAppDispatch();
  const link = useAppSelector((state) => selectItem(state)?.canonical);
  const known = useAppSelector((state) => link !== undefined && link in state.world.facts);
  const host = useAppSelector((state) => selectItem(state)?.host ?? null);
  useEffect(() => {
    if (link !== undefined && host !== null && !known) void dispatch(loadFacts(link));
  }, [dispatch, link, host, known]);
}
