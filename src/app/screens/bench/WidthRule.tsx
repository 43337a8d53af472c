import { memo, useRef, type ReactElement } from 'react';
import { selectSite } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { pageWidened } from '../../state/view.ts';
import { arrowStep, useDrag } from '../../ui/useDrag.ts';
import { t } from '../../../messages/t.ts';
import { SCREEN_NAMES } from '../../../messages/screens.ts';
import { NumberField } from '../../fields/NumberField.tsx';

const NARROWEST = 280;
const WIDEST = 1600;
const clamp = (width: number): number => Math.round(Math.min(WIDEST, Math.max(NARROWEST, width)));

interface Props {
  width: number;
  /** Screen pixels that the page may take. */
  room: number;
  scale: number;
}

/** The width rule: the column as a band, the site's widths as stops, and a mark that walks the page through all widths. */
export const WidthRule = memo(function WidthRule({ width, room, scale }: Props): ReactElement | null {
  const dispatch = useAppDispatch();
  const site = useAppSelector(selectSite);
  const line = useRef<HTMLDivElement>(null);
  const begun = useRef({ width, each: 1 });
  const widest = Math.max(WIDEST, width);
  const drag = useDrag({
    begin: () => {
      begun.current = { width, each: widest / line.current!.clientWidth };
    },
    move: (dx) => dispatch(pageWidened(clamp(begun.current.width + dx * begun.current.each))),
  });
  if (!site) return null;
  const at = (pixels: number): string => `${(pixels / widest) * 100}%`;
  const column = Math.min(site.column, width - 2 * site.margin);
  return (
    <div className="relative mx-4 my-0 h-12">
      <div
        className="rule-line absolute [inset:30px_96px_4px_0] border-b border-b-line [&_i:nth-of-type(5n)]:h-2"
        aria-hidden="true"
      >
        {Array.from({ length: Math.floor(widest / 100) }, (_, i) => (
          <i key={i} style={{ left: at((i + 1) * 100) }} />
        ))}
        <b
          className="absolute bottom-0 left-0 border-r-2 border-r-green bg-green-wash pl-1 text-tiny leading-[13px] font-normal whitespace-nowrap"
          style={{ width: at(column) }}
        >
          {t('column {column}', { column })}
        </b>
      </div>
      <div className="absolute [inset:0_96px_0_0]" ref={line}>
        {Object.entries(site.breakpoints).map(([name, pixels]) => (
          <button
            key={name}
            type="button"
            className="rule-stop absolute top-0 min-h-6 [transform:translateX(-50%)] px-1 py-0 text-small whitespace-nowrap text-quiet aria-pressed:font-bold aria-pressed:text-green german:max-[561px]:text-tiny"
            style={{ left: at(pixels) }}
            aria-pressed={width === pixels}
            onClick={() => dispatch(pageWidened(pixels))}
          >
            {SCREEN_NAMES[name as keyof typeof SCREEN_NAMES]} {pixels}
          </button>
        ))}
        <span
          role="slider"
          tabIndex={0}
          className="rule-mark"
          style={{ left: at(width) }}
          aria-label={t('Width of the page')}
          aria-valuemin={NARROWEST}
          aria-valuemax={WIDEST}
          aria-valuenow={width}
          aria-valuetext={t('{width} pixels', { width })}
          onKeyDown={(event) => {
            const step = arrowStep(event);
            if (step === 0) return;
            event.preventDefault();
            dispatch(pageWidened(clamp(width + step)));
          }}
          {...drag}
        />
      </div>
      <NumberField
        label={t('Width of the page in pixels')}
        labelled="hidden"
        className="rule-number absolute right-0 bottom-1 w-[82px] gap-x-[3px] gap-y-0 text-tiny leading-[13px] [&_.box]:min-h-6 [&_.box]:w-[62px] [&_.box]:flex-none [&_.box]:type-code"
        unit={t('px') + (room > 0 && scale < 1 ? t(' at {scale} %', { scale: Math.round(scale * 100) }) : '')}
        value={width}
        least={NARROWEST}
        most={WIDEST}
        set={(wide) => dispatch(pageWidened(clamp(wide || NARROWEST)))}
      />
    </div>
  );
});
