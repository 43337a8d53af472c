import type { ReactElement } from 'react';
import type { SettingId } from '../../../core/known/settings/list.ts';
import { sameData } from '../../state/sameData.ts';
import { selectEmbed, selectStations } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type State } from '../../state/store.ts';
import { settingsListed } from '../../state/view.ts';
import { Toolbar } from '../../ui/Toolbar.tsx';
import { ALWAYS, WHEN_SET } from './onTheEmbed.ts';
import { Token } from './Token.tsx';
import { t } from '../../../messages/t.ts';

const selectOnEmbed = (state: State): SettingId[] => {
  const offered = selectStations(state)?.frame.offered ?? [];
  const set = selectEmbed(state)?.settings ?? {};
  return [...ALWAYS, ...WHEN_SET.filter((id) => set[id] !== undefined)].filter((id) => offered.includes(id));
};

/** Pixels by which the bar goes up onto the embed where its words take a second line, and none is left below. */
const SECOND_LINE = 26;

/** The size and place of the embed in words, at its lower edge. */
export function EmbedBar({ left, top }: { left: number; top: number }): ReactElement {
  const dispatch = useAppDispatch();
  const ids = useAppSelector(selectOnEmbed, sameData);
  return (
    <div className="absolute inset-y-0 right-0 flex flex-col items-start" style={{ left }}>
      <span style={{ flex: `0 1 ${top}px`, minHeight: top - SECOND_LINE }} />
      <Toolbar
        label={t('Size and place')}
        className="line pointer-events-auto flex-none gap-x-2 gap-y-0 rounded-[2px] border border-line bg-pane px-1.5 py-0 text-small"
      >
        {ids.map((id) => (
          <Token key={id} id={id} />
        ))}
        <button
          type="button"
          className="token"
          aria-haspopup="dialog"
          aria-label={t('More of the frame')}
          onClick={() => dispatch(settingsListed('frame'))}
        >
          {t('more …')}
        </button>
      </Toolbar>
    </div>
  );
}
