import { Slider } from '@mui/material';
import type { ReactElement } from 'react';
import { showTime } from '../../../core/model/time.ts';
import type { Entry } from '../../../core/order/order.ts';
import { t } from '../../../messages/t.ts';

interface Props {
  entry: Entry;
  place: number;
  /** How long the item is, in seconds. */
  seconds: number;
  set: (clip: Pick<Entry, 'from' | 'until'>) => void;
}

/** The item from its beginning to its end, with where its clip begins and ends; chapters are marks on it. */
export const ClipRail = ({ entry, place, seconds, set }: Props): ReactElement => (
  <Slider
    size="small"
    min={0}
    max={Math.ceil(seconds)}
    value={[entry.from ?? 0, entry.until ?? Math.ceil(seconds)]}
    marks={entry.chapters.map(({ at }) => ({ value: at }))}
    getAriaLabel={(thumb) =>
      thumb === 0 ? t('Clip of entry {place} begins', { place }) : t('Clip of entry {place} ends', { place })
    }
    getAriaValueText={showTime}
    valueLabelDisplay="auto"
    valueLabelFormat={showTime}
    onChange={(_, value) => {
      const [from = 0, until = seconds] = [value].flat();
      set({ from: from > 0 ? from : undefined, until: until < Math.ceil(seconds) ? until : undefined });
    }}
  />
);
