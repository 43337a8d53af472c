import './bench.css';
import './anatomy.css';
import './page.css';
import './moments.css';
import './code.css';
import { Suspense, useCallback, useEffect, useState, type CSSProperties, type DragEvent, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { broughtIn, NOTHING_OPENED, styleTaken } from '../../state/bench.ts';
import { proofFound } from '../../state/proof.ts';
import {
  selectEmbed,
  selectFacts,
  selectFactsWanted,
  selectHouseStyle,
  selectAbout,
  selectItem,
  selectReachAddress,
  selectSite,
  selectWork,
} from '../../state/selectors.ts';
import { askFacts } from '../../state/openWork.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { findProof } from '../../storage/embeds.ts';
import { coverMeasured } from '../../state/view.ts';
import { ONCE, server } from '../../state/server.ts';
import { selectGivenStatus, selectReachedAt, selectSaid } from '../../state/answers.ts';
import { lazily } from '../../ui/lazily.ts';
import { NotLoaded } from '../../ui/NotLoaded.tsx';
import { AnatomyStrip } from './AnatomyStrip.tsx';
import { Checks } from './Checks.tsx';
import { CodePane } from './CodePane.tsx';
import { Divider } from './Divider.tsx';
import { Explanation } from './Explanation.tsx';
import { Moments } from './Moments.tsx';
import { NextLine } from './NextLine.tsx';
import { PagePane } from './PagePane.tsx';
import { PasteLine } from './PasteLine.tsx';
import { useBenchAddress } from './useBenchAddress.ts';
import { useHandedLink } from './useHandedLink.ts';
import { t } from '../../../messages/t.ts';

const ProofStrip = lazily(() => import('./ProofStrip.tsx').then((module) => module.ProofStrip), NotLoaded);

/** The screen where one embed is made. Pasting or dropping anywhere on it brings something in. */
export function Bench(): ReactElement {
  const dispatch = useAppDispatch();
  const missing = useBenchAddress();
  useFacts();
  useReach();
  useKeptProof();
  useCoverShape();
  useHouseStyle();
  useFace();
  const proving = useAppSelector((state) => state.proof.shown);
  const bringIn = useCallback(
    (text: string): void => {
      if (text.trim() !== '') dispatch(broughtIn(text));
    },
    [dispatch],
  );
  usePaste(bringIn);
  useHandedLink(bringIn);
  const settled = useSettled();
  const layout = useAppSelector((state) => state.view.layout);
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    bringIn(event.dataTransfer.getData('text/uri-list').split('\n')[0] || event.dataTransfer.getData('text/plain'));
  };
  return (
    <div
      className={settled ? 'bench [&_h2]:m-0 [&_h2]:text-text' : 'bench unsettled [&_h2]:m-0 [&_h2]:text-text'}
      data-code={layout.codeShown ? 'shown' : 'folded'}
      style={layout.code === null ? undefined : ({ '--code-width': `${layout.code}px` } as CSSProperties)}
      onDrop={onDrop}
      onDragOver={(event) => event.preventDefault()}
    >
      <h1 className="hidden-words">{t('Bench')}</h1>
      <PasteLine missing={missing} />
      <AnatomyStrip />
      <PagePane />
      <Divider />
      <div className="side" hidden={!layout.codeShown}>
        <div className="side-parts">
          <NextLine />
          <CodePane />
          <Checks />
        </div>
        <Explanation />
      </div>
      {proving ? (
        <Suspense fallback={null}>
          <ProofStrip />
        </Suspense>
      ) : (
        <Moments />
      )}
    </div>
  );
}

/**
 * Whether what was opened is there with what the host says of it. Until then, and for half a second at most, only the line
 * for pasting is shown: what is shown does not move any more.
 */
function useSettled(): boolean {
  const [settled, setSettled] = useState(false);
  const complete = useAppSelector((state) => {
    const { touched, present } = state.bench;
    const waits = present.id !== NOTHING_OPENED && present.text === '';
    if (touched || waits || !state.world.serverAnswers || selectGivenStatus(state) === 'failed') return true;
    const about = selectAbout(state);
    return about !== undefined && selectSaid(state, about) !== undefined;
  });
  useEffect(() => {
    if (settled) return;
    const timer = setTimeout(() => setSettled(true), complete ? 0 : LONGEST);
    return () => clearTimeout(timer);
  }, [settled, complete]);
  return settled || complete;
}

/** Milliseconds that a screen may stay empty. */
const LONGEST = 500;

/** A paste where no field has the focus; right after opening, nothing at all has it, and the event is the document's. */
function usePaste(bringIn: (text: string) => void): void {
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      const { target } = event;
      if (target instanceof Element && target.closest('input, textarea, [contenteditable], [role="dialog"]')) return;
      bringIn(event.clipboardData?.getData('text/plain') ?? '');
    };
    document.addEventListener('paste', onPaste);
    return () => document.removeEventListener('paste', onPaste);
  }, [bringIn]);
}

/** Asks the host, or the page, what it says of the item, once. */
function useFacts(): void {
  const store = useStore() as Store;
  const wanted = useAppSelector(selectFactsWanted);
  useEffect(() => {
    if (wanted) void askFacts(store);
  }, [store, wanted]);
}

/** Asks what visitors of the site get at the frame address, once it stays the same for a moment. */
function useReach(): void {
  const dispatch = useAppDispatch();
  const url = useAppSelector(selectReachAddress);
  const site = useAppSelector((state) => selectSite(state)?.address);
  const there = useAppSelector((state) => state.world.serverAnswers);
  const known = useAppSelector((state) => url !== null && site !== undefined && selectReachedAt(state, url, site) !== undefined);
  useEffect(() => {
    if (url === null || site === undefined || known || !there) return;
    const timer = setTimeout(() => void dispatch(server.endpoints.reached.initiate({ url, site }, ONCE)), SETTLED);
    return () => clearTimeout(timer);
  }, [dispatch, url, site, known, there]);
}

/** Milliseconds after which an address is taken to be whole, and not half typed. */
const SETTLED = 400;

/** What is begun now holds to the house style as it is now, whatever becomes of the style later. */
function useHouseStyle(): void {
  const dispatch = useAppDispatch();
  const begun = useAppSelector((state) => state.bench.touched && selectWork(state).style === null && selectItem(state) !== null);
  const style = useAppSelector(selectHouseStyle);
  useEffect(() => {
    if (begun) dispatch(styleTaken(style));
  }, [dispatch, begun, style]);
}

/** Makes the small picture of the embed for the Shelf, once the host has told its cover. */
function useFace(): void {
  const id = useAppSelector((state) => (state.bench.touched ? state.bench.present.id : null));
  const cover = useAppSelector((state) => selectFacts(state).cover);
  useEffect(() => {
    if (id === null || !cover) return;
    void import('../../state/thumbnails.ts').then(({ keepThumbnail }) => keepThumbnail(id, cover)).catch(() => undefined);
  }, [id, cover]);
}

/** Brings back the play-through that is kept with the embed. */
function useKeptProof(): void {
  const dispatch = useAppDispatch();
  const id = useAppSelector((state) => state.bench.present.id);
  useEffect(() => {
    let current = true;
    dispatch(proofFound(null));
    findProof(id)
      .then((proof) => current && proof && dispatch(proofFound(proof)))
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [dispatch, id]);
}

/** Looks at the cover picture, as far as it lies in the code: which shape it has. */
function useCoverShape(): void {
  const dispatch = useAppDispatch();
  const cover = useAppSelector((state) => selectEmbed(state)?.settings.cover);
  useEffect(() => {
    dispatch(coverMeasured(null));
    if (typeof cover !== 'string' || !cover.startsWith('data:')) return;
    const picture = new Image();
    picture.onload = () => void dispatch(coverMeasured(picture.naturalWidth / picture.naturalHeight));
    picture.src = cover;
    return () => void (picture.onload = null);
  }, [dispatch, cover]);
}
