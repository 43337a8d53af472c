import { useRef, type ReactElement } from 'react';
import { boxHeight } from '../../../core/model/box.ts';
import type { SettingsFix } from '../../../core/model/plan.ts';
import type { PreviewBox } from '../../../preview/messages.ts';
import { changed, gestureEnded } from '../../state/bench.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { AT_HANDLE } from './onTheEmbed.ts';
import { EmbedBar } from './EmbedBar.tsx';
import { arrowStep, useDrag } from '../../ui/useDrag.ts';
import { t } from '../../../messages/t.ts';

const RATIOS = ['16:9', '4:3', '3:2', '1:1', '4:5', '9:16', '2:1', '21:9'];
/** How near a dragged shape must come to a common ratio to become it, as a share. */
const SNAP = 0.04;

/** Pixels below the embed at which its bar begins: the handles on its edge stay free. */
const BELOW_HANDLES = 14;

interface Props {
  embed: PreviewBox;
  column: PreviewBox;
  scale: number;
}

/** Handles on the embed: width at its right edge, shape at its lower edge, and brackets for the space around it. */
export function EmbedHandles({ embed, column, scale }: Props): ReactElement | null {
  const made = useAppSelector(selectEmbed);
  if (!made) return null;
  const { align, spaceAbove = 0, spaceBelow = 0 } = made.settings;
  const both = align === 'centre' ? 2 : align === 'end' ? -1 : 1;
  const widthTo = (width: number): SettingsFix =>
    width >= column.width - 2
      ? { width: null, widthMode: 'fill' }
      : { width: Math.round(Math.max(80, width)), widthMode: 'atMost' };
  const left = embed.left * scale;
  const top = embed.top * scale;
  const width = embed.width * scale;
  const height = embed.height * scale;
  return (
    <div className="pointer-events-none absolute inset-0">
      <Handle
        name={t('Width of the embed')}
        className="handle-width"
        style={{ left: left + width, top: top + height / 2 }}
        value={Math.round(embed.width)}
        words={t('{width} px wide', { width: Math.round(embed.width) })}
        most={Math.round(column.width)}
        change={(dx) => widthTo(embed.width + (dx / scale) * both)}
        step={(by) => widthTo(embed.width + by)}
      />
      <Handle
        name={t('Shape of the embed')}
        className="handle-shape"
        style={{ left: left + width / 2, top: top + height }}
        value={Math.round(embed.height)}
        words={
          made.plan.box.height.by === 'ratio'
            ? made.plan.box.height.ratio
            : t('{height} px high', { height: boxHeight(made.plan.box) })
        }
        most={2000}
        change={(_, dy) => shapeTo(embed.width, embed.height + dy / scale)}
        step={(by) => ({ height: Math.max(40, Math.round(embed.height + by)), ratio: null })}
      />
      <Handle
        name={t('Space above the embed')}
        className="handle-above"
        style={{ left: left + 24, top: top - (Number(spaceAbove) * scale) / 2 }}
        value={Number(spaceAbove)}
        words={t('{spaceAbove} px above', { spaceAbove })}
        most={400}
        change={(_, dy) => ({ spaceAbove: limit(Number(spaceAbove) + dy / scale) })}
        step={(by) => ({ spaceAbove: limit(Number(spaceAbove) + by) })}
      />
      <Handle
        name={t('Space below the embed')}
        className="handle-below"
        style={{ left: left + 24, top: top + height + (Number(spaceBelow) * scale) / 2 }}
        value={Number(spaceBelow)}
        words={t('{spaceBelow} px below', { spaceBelow })}
        most={400}
        change={(_, dy) => ({ spaceBelow: limit(Number(spaceBelow) + dy / scale) })}
        step={(by) => ({ spaceBelow: limit(Number(spaceBelow) + by) })}
      />
      <EmbedBar left={left} top={top + height + BELOW_HANDLES} />
    </div>
  );
}

const limit = (pixels: number): number => Math.round(Math.min(400, Math.max(0, pixels)));

/** A common ratio where the shape is near one, otherwise the height in pixels. */
function shapeTo(width: number, height: number): SettingsFix {
  const tall = Math.max(40, height);
  const near = RATIOS.find((ratio) => {
    const [w, h] = ratio.split(':').map(Number);
    return Math.abs(width / tall / (w! / h!) - 1) < SNAP;
  });
  return near ? { ratio: near, height: null } : { height: Math.round(tall), ratio: null };
}

interface HandleProps {
  name: string;
  className: string;
  style: { left: number; top: number };
  value: number;
  words: string;
  most: number;
  /** The change for a drag of so many screen pixels from its beginning. */
  change: (dx: number, dy: number) => SettingsFix;
  step: (by: number) => SettingsFix;
}

function Handle({ name, className, style, value, words, most, change, step }: HandleProps): ReactElement {
  const dispatch = useAppDispatch();
  const start = useRef(change);
  const drag = useDrag({
    begin: () => {
      start.current = change;
    },
    move: (dx, dy) => dispatch(changed({ change: start.current(dx, dy), gesture: AT_HANDLE + name })),
    end: () => dispatch(gestureEnded()),
  });
  return (
    <span
      role="slider"
      tabIndex={0}
      className={`handle ${className}`}
      style={style}
      aria-label={name}
      aria-valuenow={value}
      aria-valuemin={0}
      aria-valuemax={most}
      aria-valuetext={words}
      data-words={words}
      onKeyDown={(event) => {
        const by =
          arrowStep(event) * (className === 'handle-width' ? 1 : event.key === 'ArrowDown' || event.key === 'ArrowUp' ? -1 : 1);
        if (by === 0) return;
        event.preventDefault();
        dispatch(changed({ change: step(by), gesture: AT_HANDLE + name }));
      }}
      onBlur={() => dispatch(gestureEnded())}
      {...drag}
    />
  );
}
