import { useCallback, useEffect, useRef, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { readReport } from '../../../core/hosts/playerReport.ts';
import type { Site } from '../../../core/model/site.ts';
import { fromPreview, type PreviewBox, type ToPreview } from '../../../preview/messages.ts';
import { looksOf, PREVIEW } from '../../preview.ts';
import { linkPlayer } from '../../state/playerLink.ts';
import { selectCard, selectPreviewCode, selectSite } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { playerLoaded, playerReported } from '../../state/view.ts';
import { EmbedHandles } from './EmbedHandles.tsx';

/** Where things stand in the preview, in its own CSS pixels. */
interface Layout {
  embed: PreviewBox | null;
  column: PreviewBox;
  bottom: number;
}

interface Props {
  /** Of the page, in CSS pixels. */
  width: number;
  /** Screen pixels. */
  height: number;
  scale: number;
  title: string;
  /** Whether its player is the one that is listened to and asked, and its embed the one with handles. */
  main: boolean;
  /** Lower edge of the embed in the page, as soon as it is known. */
  laidOut?: (bottom: number) => void;
}

/** The page of the site at one width, with the embed running in it, loaded from an origin of its own. */
export function PreviewSheet({ width, height, scale, title, main, laidOut }: Props): ReactElement {
  const site = useAppSelector(selectSite);
  const code = useAppSelector(selectPreviewCode);
  const { frame, layout } = usePreview(site, main);
  const bottom = layout?.bottom;
  useEffect(() => {
    if (bottom !== undefined) laidOut?.(bottom);
  }, [bottom, laidOut]);
  return (
    <div className="sheet" style={{ width: width * scale, height }}>
      <iframe
        ref={frame}
        src={`${PREVIEW}/`}
        title={title}
        sandbox="allow-scripts allow-same-origin allow-popups allow-forms allow-presentation"
        // Without autoplay: presses on the Bench would count for the player, and no visitor has made them.
        allow="fullscreen; picture-in-picture; encrypted-media"
        style={{ width, height: height / scale, transform: `scale(${scale})` }}
      />
      {main && layout?.embed && code && <EmbedHandles embed={layout.embed} column={layout.column} scale={scale} />}
    </div>
  );
}

function usePreview(site: Site | null, main: boolean) {
  const dispatch = useAppDispatch();
  const store = useStore() as Store;
  const frame = useRef<HTMLIFrameElement>(null);
  const [open, setOpen] = useState(false);
  const [layout, setLayout] = useState<Layout | null>(null);
  const code = useAppSelector(selectPreviewCode);
  const night = useAppSelector((state) => state.view.theme === 'night');
  const post = useCallback((message: ToPreview) => frame.current?.contentWindow?.postMessage(message, PREVIEW), []);

  useEffect(() => {
    const listen = ({ source, origin, data }: MessageEvent<unknown>): void => {
      if (origin !== PREVIEW || source !== frame.current?.contentWindow) return;
      const message = fromPreview.safeParse(data).data;
      if (message?.kind === 'open') setOpen(true);
      else if (message?.kind === 'layout') setLayout(message);
      else if (!main) return;
      else if (message?.kind === 'loaded') dispatch(playerLoaded());
      else if (message?.kind === 'media') dispatch(playerReported(message));
      else if (message?.kind === 'player') {
        const player = selectCard(store.getState())?.player;
        const report = player && readReport(player, message.data);
        if (report) dispatch(playerReported(report));
      }
    };
    window.addEventListener('message', listen);
    if (main)
      linkPlayer(
        (message) => post({ kind: 'ask', message: message as never }),
        (what) => post({ kind: 'press', what }),
      );
    return () => {
      window.removeEventListener('message', listen);
      if (main) linkPlayer(null);
    };
  }, [dispatch, store, post, main]);

  useEffect(() => {
    if (open && site) post({ kind: 'show', code: code ?? '', looks: looksOf(site, night) });
  }, [open, site, night, code, post]);
  return { frame, layout };
}
