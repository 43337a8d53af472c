import { own } from '../../model/own.ts';
import type { Box } from '../../model/plan.ts';
import type { Site } from '../../model/site.ts';
import type { Asked } from './asked.ts';

const USUAL_RATIO = '16:9';
const USUAL_WIDTH = 640;
/** Of a host whose card tells no height for what is usual. */
const USUAL_HEIGHT = 300;

/** How wide and how high the frame stands in the site's column. */
export function planBox(asked: Asked, site: Site | null): Box {
  const { mode, width, widthFrom } = planWidth(asked, site);
  const { height, heightFrom } = planHeight(asked);
  return { mode, width, height, widthFrom, heightFrom };
}

function planWidth({ settings, target }: Asked, site: Site | null): Pick<Box, 'mode' | 'width' | 'widthFrom'> {
  const fit = target?.target.fit;
  const usual = fit?.by === 'ratio' ? fit.mode : 'fill';
  const mode = (settings.widthMode as Box['mode'] | undefined) ?? (settings.width === undefined ? usual : 'atMost');
  const widthFrom = settings.width !== undefined ? 'width' : settings.widthMode !== undefined ? 'widthMode' : 'item';
  const column = site?.column ?? fit?.width ?? USUAL_WIDTH;
  if (mode === 'fill') return { mode, width: column, widthFrom: settings.widthMode ? 'widthMode' : 'item' };
  return { mode, width: Number(settings.width ?? Math.min(fit?.width ?? USUAL_WIDTH, column)), widthFrom };
}

function planHeight({ settings, item, target }: Asked): Pick<Box, 'height' | 'heightFrom'> {
  if (settings.height !== undefined) return { height: { by: 'number', pixels: Number(settings.height) }, heightFrom: 'height' };
  if (settings.ratio !== undefined) return { height: { by: 'ratio', ratio: String(settings.ratio) }, heightFrom: 'ratio' };
  const fit = target?.target.fit;
  if (fit?.by === 'content' || fit?.by === 'number') return { height: { by: 'number', pixels: fit.height }, heightFrom: 'item' };
  if (fit?.by !== 'steps') return { height: { by: 'ratio', ratio: item.ratio ?? USUAL_RATIO }, heightFrom: 'item' };
  const chosen = settings[fit.setting];
  const pixels = own(fit.heights, String(chosen ?? fit.usual)) ?? own(fit.heights, fit.usual) ?? USUAL_HEIGHT;
  return { height: { by: 'number', pixels }, heightFrom: chosen === undefined ? 'item' : fit.setting };
}
