import { Suspense, useCallback, useRef, useState, type ReactElement } from 'react';
import { selectByContent, selectNextStep, selectPreviewCode, selectSite } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { proofBegun, proofShown } from '../../state/proof.ts';
import { shownTogether } from '../../state/view.ts';
import { lazily } from '../../ui/lazily.ts';
import { AT_HANDLE } from './onTheEmbed.ts';
import { NowPlaying } from './NowPlaying.tsx';
import { PreviewSheet } from './PreviewSheet.tsx';
import { WidthRule } from './WidthRule.tsx';
import { t } from '../../../messages/t.ts';

const ProofStage = lazily(
  () => import('./ProofStage.tsx').then((module) => module.ProofStage),
  () => null,
);

/** Room below the embed for the bar at its edge, in screen pixels, and the smallest scale that can still be read. */
const BELOW = 40;
const SMALLEST = 0.4;
/** Below this room, in pixels, the page is shown as a phone shows it. */
const HAND = 500;

/** The scale at which the page's width, and the embed as a whole, can be seen. */
function scaleFor(room: { width: number; height: number }, width: number, bottom: number): number {
  if (room.width === 0) return 1;
  const tall = bottom > 0 ? Math.max(SMALLEST, (room.height - BELOW) / bottom) : 1;
  return Math.min(1, room.width / width, tall);
}

/** The page, in the site's looks, with the embed running in it: at one width, or on all the site's screens at once. */
export function PagePane(): ReactElement {
  const dispatch = useAppDispatch();
  const site = useAppSelector(selectSite);
  const chosen = useAppSelector((state) => state.view.pageWidth);
  const together = useAppSelector((state) => state.view.together);
  const { shown: proving, staged, run, proof } = useAppSelector((state) => state.proof);
  const [stage, room] = useRoom();
  const [laid, setBottom] = useState(0);
  const held = useHeld(
    laid,
    useAppSelector((state) => state.bench.gesture?.startsWith(AT_HANDLE) ?? false),
  );
  const width = chosen ?? (room.width < HAND ? site?.breakpoints.phone : site?.breakpoints.tablet) ?? 820;
  // The page does not change its scale under the hand that moves a handle, while the embed stays in sight.
  const holds = laid * scaleFor(room, width, held) <= room.height;
  const scale = scaleFor(room, width, holds ? held : laid);
  const empty = useAppSelector((state) => !selectPreviewCode(state));
  // Where it is what to do next, it is offered there.
  const next = useAppSelector((state) => selectNextStep(state).code === 'prove');
  const phone = site?.breakpoints.phone ?? width;
  const measured = useAppSelector(selectByContent) && !staged && width > phone;
  const screens = Object.entries(site?.breakpoints ?? {});
  const all = screens.reduce((sum, [, each]) => sum + each, 0);
  const small = Math.min(1, Math.max(0, room.width - GAP * (screens.length - 1)) / Math.max(1, all));
  return (
    <section
      className="page grid min-h-0 min-w-0 grid-rows-[auto_minmax(0,1fr)_auto] area-[page] max-desk:grid-rows-[auto_420px_auto]"
      aria-label={t('Page')}
    >
      <WidthRule width={width} room={room.width} scale={scale} />
      <div className="stage" ref={stage} data-together={together}>
        {staged ? (
          <Suspense fallback={null}>
            <ProofStage key={run} width={width} height={room.height} scale={scale} />
          </Suspense>
        ) : together ? (
          screens.map(([name, each]) => (
            <PreviewSheet
              key={name}
              width={each}
              height={room.height}
              scale={small}
              title={t('The page on a {name}', { name })}
              part="beside"
            />
          ))
        ) : (
          <PreviewSheet
            width={width}
            height={room.height}
            scale={scale}
            title={t('The page with the embed in it')}
            part="main"
            laidOut={setBottom}
          />
        )}
        {measured && (
          <PreviewSheet
            width={phone}
            height={room.height}
            scale={1}
            title={t('The page on a phone, to measure')}
            part="measured"
          />
        )}
        {empty && (
          <p className="absolute bottom-6 left-[50%] m-0 [translate:-50%] border border-line bg-pane px-4 py-1.5 whitespace-nowrap">
            {t('The page is shown here as soon as a link or a code is recognised.')}
          </p>
        )}
      </div>
      <div className="flex items-center justify-between pr-4">
        {staged ? (
          <div className="now">{t('A signed-out visitor, with an empty browser store')}</div>
        ) : together ? (
          <div className="now">{t('Each screen of the site, with the embed in it')}</div>
        ) : (
          <NowPlaying />
        )}
        <div className="flex gap-2">
          {proof && !proving && (
            <button type="button" className="inline-remedy" onClick={() => dispatch(proofShown(true))}>
              {t('Last play-through')}
            </button>
          )}
          {!next && (
            <button type="button" className="inline-remedy" disabled={empty || proving} onClick={() => dispatch(proofBegun())}>
              {t('Play it through')}
            </button>
          )}
          <button
            type="button"
            className="inline-remedy"
            aria-pressed={together}
            disabled={proving}
            onClick={() => dispatch(shownTogether(!together))}
          >
            {together ? t('One screen') : t('All screens side by side')}
          </button>
        </div>
      </div>
    </section>
  );
}

/** Screen pixels between pages that stand side by side. */
const GAP = 12;

/** The value, or while `hold` the one that it had before. */
function useHeld(value: number, hold: boolean): number {
  const [held, setHeld] = useState(value);
  if (!hold && held !== value) setHeld(value);
  return hold ? held : value;
}

/** The room that an element has, kept up to date. */
function useRoom(): [(element: HTMLElement | null) => void, { width: number; height: number }] {
  const [room, setRoom] = useState({ width: 0, height: 0 });
  const watch = useRef<ResizeObserver | null>(null);
  const attach = useCallback((element: HTMLElement | null) => {
    watch.current?.disconnect();
    if (!element) return;
    const measure = (): void => {
      const { clientWidth: width, clientHeight: height } = element;
      setRoom((before) => (before.width === width && before.height === height ? before : { width, height }));
    };
    // Before it is painted for the first time, so that nothing moves then.
    measure();
    watch.current = new ResizeObserver(measure);
    watch.current.observe(element);
  }, []);
  return [attach, room];
}
