import { Popover } from '@mui/material';
import type { ReactElement } from 'react';
import type { Moment } from '../../../core/model/setting.ts';
import { MOMENT_NAMES } from '../../../messages/moments.ts';
import { sameData } from '../../state/sameData.ts';
import { selectSettingOptions, type SettingOption } from '../../state/settingOptions.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { settingsListed, tokenOpened } from '../../state/view.ts';
import { FinderBox } from '../../ui/FinderBox.tsx';
import { FINDER_BUTTON } from './finderButton.ts';
import { t } from '../../../messages/t.ts';

/** Every setting by its name, found by typing; choosing one opens it. */
export function SettingFinder(): ReactElement | null {
  const dispatch = useAppDispatch();
  const listed = useAppSelector((state) => state.view.listed);
  const options = useAppSelector((state) => (listed ? selectSettingOptions(state, listed) : NONE), sameData);
  if (!listed) return null;
  return (
    <Popover
      open
      anchorEl={() => document.getElementById(FINDER_BUTTON)!}
      onClose={() => dispatch(settingsListed(null))}
      anchorOrigin={{ vertical: 'top', horizontal: 'right' }}
      transformOrigin={{ vertical: 'bottom', horizontal: 'right' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': t('Find a setting') } as object }}
    >
      <FinderBox
        label={labelOf(listed)}
        options={options}
        nothing={t('No setting has that name.')}
        choose={({ id }) => dispatch(tokenOpened(id))}
      />
    </Popover>
  );
}

const NONE: SettingOption[] = [];
const labelOf = (listed: Moment | 'all'): string =>
  listed === 'all' ? t('Find a setting') : t('Settings: {moment}', { moment: MOMENT_NAMES[listed].name });
