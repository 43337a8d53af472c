import { ToggleButton, ToggleButtonGroup } from '@mui/material';
import type { ReactElement } from 'react';
import type { SettingsFix } from '../../../core/model/plan.ts';
import { labelOf } from '../../../messages/labels.ts';
import { sayOption } from '../../../messages/settings.ts';
import { t } from '../../../messages/t.ts';
import { changed } from '../../state/bench.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';

/** Browsers let begin by itself only what is muted: the two are chosen in one press. */
const WAYS: readonly { way: string; words: string; change: SettingsFix }[] = [
  { way: 'muted', words: t('on, muted'), change: { autoplay: 'on', mute: 'on' } },
  { way: 'on', words: sayOption('autoplay', 'on'), change: { autoplay: 'on', mute: null } },
  { way: 'off', words: sayOption('autoplay', 'off'), change: { autoplay: 'off' } },
];

export function AutoplayField(): ReactElement {
  const dispatch = useAppDispatch();
  const { autoplay, mute } = useAppSelector((state) => selectEmbed(state)?.settings) ?? {};
  const way = autoplay === 'on' && mute === 'on' ? 'muted' : autoplay;
  return (
    <ToggleButtonGroup exclusive size="small" value={way ?? null} aria-label={labelOf('autoplay')}>
      {WAYS.map((one) => (
        <ToggleButton key={one.way} value={one.way} onClick={() => dispatch(changed({ change: one.change }))}>
          {one.words}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
