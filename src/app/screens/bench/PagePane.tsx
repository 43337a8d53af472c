import { useCallback, useEffect, useRef, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { readReport } from '../../../core/hosts/playerReport.ts';
import type { Site } from '../../../core/model/site.ts';
import { fromPreview, type Looks, type PreviewBox, type ToPreview } from '../../../preview/messages.ts';
import { linkPlayer } from '../../state/playerLink.ts';
import { selectCard, selectPreviewCode, selectSite } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { playerLoaded, playerReported } from '../../state/view.ts';
import { EmbedHandles } from './EmbedHandles.tsx';
import { NowPlaying } from './NowPlaying.tsx';
import { WidthRule } from './WidthRule.tsx';

const PREVIEW = `${location.protocol}//preview.localhost${location.port ? `:${location.port}` : ''}`;

/** Where things stand in the preview, in its own CSS pixels. */
export interface Layout {
  embed: PreviewBox | null;
  column: PreviewBox;
  bottom: number;
}

/** Room below the embed that shows how the page goes on, and the smallest scale that can still be read. */
const BELOW = 48;
const SMALLEST = 0.6;
/** Below this room, in pixels, the page is shown as a phone shows it. */
const HAND = 500;

/** The scale at which the page's width, and the embed as a whole, can be seen. */
function scaleFor(room: { width: number; height: number }, width: number, bottom: number): number {
  if (room.width === 0) return 1;
  const tall = bottom > 0 ? Math.max(SMALLEST, room.height / (bottom + BELOW)) : 1;
  return Math.min(1, room.width / width, tall);
}

/** The page, in the site's looks, with the embed running in it; loaded from an origin of its own. */
export function PagePane(): ReactElement {
  const site = useAppSelector(selectSite);
  const chosen = useAppSelector((state) => state.view.pageWidth);
  const [stage, room] = useRoom();
  const width = chosen ?? (room.width < HAND ? site?.breakpoints.phone : site?.breakpoints.tablet) ?? 820;
  const { frame, layout } = usePreview(site);
  const scale = scaleFor(room, width, layout?.bottom ?? 0);
  const code = useAppSelector(selectPreviewCode);
  return (
    <section className="page" aria-label="Page">
      <WidthRule width={width} room={room.width} scale={scale} />
      <div className="stage" ref={stage}>
        <div className="sheet" style={{ width: width * scale, height: room.height }}>
          <iframe
            ref={frame}
            src={`${PREVIEW}/`}
            title="The page with the embed in it"
            sandbox="allow-scripts allow-same-origin allow-popups allow-forms allow-presentation"
            // Without autoplay: presses on the Bench would count for the player, and no visitor has made them.
            allow="fullscreen; picture-in-picture; encrypted-media"
            style={{ width, height: room.height / scale, transform: `scale(${scale})` }}
          />
          {layout?.embed && code && <EmbedHandles embed={layout.embed} column={layout.column} scale={scale} />}
        </div>
        {!code && <p className="stage-empty">The page is shown here as soon as a link or a code is recognised.</p>}
      </div>
      <NowPlaying />
    </section>
  );
}

/** The room that an element has, kept up to date. */
function useRoom(): [(element: HTMLElement | null) => void, { width: number; height: number }] {
  const [room, setRoom] = useState({ width: 0, height: 0 });
  const watch = useRef<ResizeObserver | null>(null);
  const attach = useCallback((element: HTMLElement | null) => {
    watch.current?.disconnect();
    if (!element) return;
    watch.current = new ResizeObserver(() => setRoom({ width: element.clientWidth, height: element.clientHeight }));
    watch.current.observe(element);
  }, []);
  return [attach, room];
}

function usePreview(site: Site | null) {
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
      else if (message?.kind === 'loaded') dispatch(playerLoaded());
      else if (message?.kind === 'media') dispatch(playerReported(message));
      else if (message?.kind === 'player') {
        const player = selectCard(store.getState())?.player;
        const report = player && readReport(player, message.data);
        if (report) dispatch(playerReported(report));
      }
    };
    window.addEventListener('message', listen);
    linkPlayer(
      (message) => post({ kind: 'ask', message: message as never }),
      (what) => post({ kind: 'press', what }),
    );
    return () => {
      window.removeEventListener('message', listen);
      linkPlayer(null);
    };
  }, [dispatch, store, post]);

  useEffect(() => {
    if (open && site) post({ kind: 'show', code: code ?? '', looks: looksOf(site, night) });
  }, [open, site, night, code, post]);
  return { frame, layout };
}

function looksOf(site: Site, night: boolean): Looks {
  const { language, column, margin, typeface, sample } = site;
  return { language, column, margin, family: typeface.family, size: typeface.size, ...(night ? site.dark : site.light), sample };
}
