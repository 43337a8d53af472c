import { memo, type ReactElement } from 'react';
import { shallowEqual } from 'react-redux';
import { isProposed } from '../../../core/known/hosts/card.ts';
import { offerOf } from '../../../core/known/hosts/offers.ts';
import type { State as PlanState } from '../../../core/model/plan.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import { saySetting } from '../../../messages/settings.ts';
import { STATE_WORDS } from '../../../messages/plan.ts';
import { selectBook, selectCard, selectEmbed, selectStyle } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type State } from '../../state/store.ts';
import { pointedAt, tokenOpened } from '../../state/view.ts';
import { t, within } from '../../../messages/t.ts';
import { labelOf } from '../../../messages/labels.ts';

/** The states that a publisher need not be told in words: it simply works. */
const PLAIN: readonly PlanState[] = ['sent', 'done here'];

/** How far a setting is honoured, as the line under its sentence. */
const LINE: Partial<Record<PlanState | 'untouched', string>> = {
  untouched: 'border-b border-hair',
  sent: 'border-b-2 border-green font-semibold',
  'done here': 'border-b-3 border-double border-green font-semibold',
  'in part': 'border-b-2 border-dashed border-amber font-semibold',
  conflict: 'border-b-3 border-amber font-semibold',
  'not offered': 'border-b-2 border-dotted border-quiet',
  'not applicable': 'line-through',
};
const QUIET: readonly string[] = ['untouched', 'not offered', 'not applicable'];
const AMBER: readonly string[] = ['in part', 'conflict'];
const NOTE = 'ml-1 text-tiny whitespace-nowrap';

export const tokenElementId = (id: SettingId): string => `token-${id}`;

/** What a token shows, as plain values: most changes of the embed leave most tokens as they are. */
function shownOf(state: State, id: SettingId) {
  const embed = selectEmbed(state);
  if (!embed) return null;
  const { pointed, open } = state.view;
  const entry = embed.plan.entries.find((e) => e.setting === id);
  const style = selectStyle(state)[id];
  const offer = offerOf(id, embed.item, selectBook(state));
  return {
    asked: embed.settings[id] ?? entry?.asked,
    state: entry?.state ?? (offer === 'offered' ? 'untouched' : offer),
    told: entry ? !PLAIN.includes(entry.state) : offer !== 'offered',
    pointed: pointed === id,
    open: open === id,
    guessed: isProposed(selectCard(state)?.settings[id]),
    offStyle: style !== undefined && style !== embed.settings[id],
  };
}

/** One setting as a short sentence, or by its name alone. How far it is honoured shows in its line and in words. */
export const Token = memo(function Token({ id, brief = false }: { id: SettingId; brief?: boolean }): ReactElement | null {
  const dispatch = useAppDispatch();
  const shown = useAppSelector((state) => shownOf(state, id), shallowEqual);
  if (!shown) return null;
  return (
    <button
      type="button"
      id={tokenElementId(id)}
      className={`token ${QUIET.includes(shown.state) ? 'text-quiet' : ''}`}
      data-state={shown.state}
      data-pointed={shown.pointed}
      aria-haspopup="dialog"
      aria-expanded={shown.open}
      onClick={() => dispatch(tokenOpened(shown.open ? null : id))}
      onMouseEnter={() => dispatch(pointedAt(id))}
      onMouseLeave={() => dispatch(pointedAt(null))}
      onFocus={() => dispatch(pointedAt(id))}
      onBlur={() => dispatch(pointedAt(null))}
    >
      <span className={`leading-4.5 ${LINE[shown.state as PlanState] ?? 'border-b-2 border-transparent'}`}>
        {brief ? within(labelOf(id)) : saySetting(id, shown.asked)}
      </span>
      {shown.offStyle && <small className={`${NOTE} font-semibold text-amber`}>{` ${t('not as the house does')}`}</small>}
      {shown.guessed && !brief && <small className={`${NOTE} font-semibold text-amber`}>{` ${t('a guess')}`}</small>}
      {shown.told && !brief && (
        <small
          className={`${NOTE} ${AMBER.includes(shown.state) ? 'text-amber' : ''}`}
        >{` ${STATE_WORDS[shown.state as PlanState]}`}</small>
      )}
    </button>
  );
});
