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
      className="token"
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
      <span className="token-words">{brief ? within(labelOf(id)) : saySetting(id, shown.asked)}</span>
      {shown.offStyle && <small className="off-style">{` ${t('not as the house does')}`}</small>}
      {shown.guessed && !brief && <small className="off-style">{` ${t('a guess')}`}</small>}
      {shown.told && !brief && <small>{` ${STATE_WORDS[shown.state as PlanState]}`}</small>}
    </button>
  );
});
