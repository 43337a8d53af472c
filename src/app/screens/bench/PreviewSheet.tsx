import { memo, Suspense, useCallback, useEffect, useRef, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { readReport } from '../../../core/known/hosts/playerReport.ts';
import type { Site } from '../../../core/model/site.ts';
import { fromPreview, type PreviewBox, type ToPreview } from '../../../preview/messages.ts';
import { afterPaint } from '../../afterPaint.ts';
import { looksOf, PREVIEW } from '../../preview.ts';
import { linkPlayer } from '../../state/playerLink.ts';
import { selectCard, selectPreviewCode, selectSite } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { lazily } from '../../ui/lazily.ts';
import { phoneMeasured, playerLoaded, playerReported } from '../../state/view.ts';

const EmbedHandles = lazily(
  () => import('./EmbedHandles.tsx').then((module) => module.EmbedHandles),
  () => null,
);

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
  /**
   * `main`: its player is the one that is listened to and asked, and its embed the one with handles. `measured`: out of
   * sight, only to learn how high the content is on a phone.
   */
  part: 'main' | 'beside' | 'measured';
  /** Lower edge of the embed in the page, as soon as it is known. */
  laidOut?: (bottom: number) => void;
}

/** The page of the site at one width, with the embed running in it, loaded from an origin of its own. */
export const PreviewSheet = memo(function PreviewSheet(props: Props): ReactElement {
  const { width, height, scale, title, part, laidOut } = props;
  const main = part === 'main';
  const site = useAppSelector(selectSite);
  const empty = useAppSelector((state) => !selectPreviewCode(state));
  const { frame, layout } = usePreview(site, part);
  const bottom = layout?.bottom;
  useEffect(() => {
    if (bottom !== undefined) laidOut?.(bottom);
  }, [bottom, laidOut]);
  return (
    <div className="sheet" data-part={part} inert={part === 'measured'} style={{ width: width * scale, height }}>
      <iframe
        ref={frame}
        src={`${PREVIEW}/`}
        title={title}
        sandbox="allow-scripts allow-same-origin allow-popups allow-forms allow-presentation"
        // Without autoplay: presses on the Bench would count for the player, and no visitor has made them.
        allow="fullscreen; picture-in-picture; encrypted-media"
        style={{ width, height: height / scale, transform: `scale(${scale})` }}
      />
      <Suspense fallback={null}>
        {main && layout?.embed && !empty && <EmbedHandles embed={layout.embed} column={layout.column} scale={scale} />}
      </Suspense>
    </div>
  );
});

function usePreview(site: Site | null, part: Props['part']) {
  const main = part === 'main';
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
      else if (part === 'beside') return;
      else if (message?.kind === 'loaded') dispatch(main ? playerLoaded() : phoneMeasured(null));
      else if (message?.kind === 'media' && main) dispatch(playerReported(message));
      else if (message?.kind === 'player') {
        const player = selectCard(store.getState())?.player;
        const report = player && readReport(player, message.data);
        if (report && main) dispatch(playerReported(report));
        else if (report?.height !== undefined) dispatch(phoneMeasured(report.height));
      }
    };
    window.addEventListener('message', listen);
    if (main)
      linkPlayer(store, {
        post: (message) => post({ kind: 'ask', message: message as never }),
        press: (what) => post({ kind: 'press', what }),
      });
    return () => {
      window.removeEventListener('message', listen);
      if (main) linkPlayer(store, null);
      if (part === 'measured') dispatch(phoneMeasured(null));
    };
  }, [dispatch, store, post, part, main]);

  // A player that begins anew takes the machine for a moment: what was set is shown before.
  useEffect(() => {
    if (!open || !site) return;
    return afterPaint(() => post({ kind: 'show', code: code ?? '', looks: looksOf(site, night) }));
  }, [open, site, night, code, post]);
  return { frame, layout };
}
