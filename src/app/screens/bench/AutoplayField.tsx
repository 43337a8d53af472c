import { ToggleButton, ToggleButtonGroup } from '@mui/material';
import type { ReactElement } from 'react';
import type { SettingsFix } from '../../../core/model/plan.ts';
import { labelOf } from '../../../messages/labels.ts';
import { sayOption } from '../../../messages/settings.ts';
import { t } from '../../../messages/t.ts';
import { changed } from '../../state/bench.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';

type Way = 'muted' | 'on' | 'off';

const WORDS: Readonly<Record<Way, string>> = {
  muted: t('on, muted'),
  on: sayOption('autoplay', 'on'),
  off: sayOption('autoplay', 'off'),
};

/** Browsers let begin by itself only what is muted: the two are chosen in one press, and taken back in one. */
export function AutoplayField(): ReactElement {
  const dispatch = useAppDispatch();
  const { autoplay, mute } = useAppSelector((state) => selectEmbed(state)?.settings) ?? {};
  const way = autoplay === 'on' && mute === 'on' ? 'muted' : autoplay;
  const choose = (next: Way): void => {
    const change: SettingsFix =
      next === 'muted' ? { autoplay: 'on', mute: 'on' } : { autoplay: next, ...(way === 'muted' && { mute: null }) };
    dispatch(changed({ change }));
  };
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={way ?? null}
      aria-label={labelOf('autoplay')}
      onChange={(_, next: Way | null) => next && choose(next)}
    >
      {(Object.keys(WORDS) as Way[]).map((one) => (
        <ToggleButton key={one} value={one}>
          {WORDS[one]}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
