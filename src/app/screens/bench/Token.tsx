import type { ReactElement } from 'react';
import { offerOf } from '../../../core/hosts/offers.ts';
import type { State as PlanState } from '../../../core/model/plan.ts';
import { settingOf, type SettingId } from '../../../core/settings/list.ts';
import { saySetting, STATE_WORDS } from '../../../messages/en.ts';
import { selectBook, selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { pointedAt, tokenOpened } from '../../state/view.ts';

/** The states that a publisher need not be told in words: it simply works. */
const PLAIN: readonly PlanState[] = ['sent', 'done here'];

export const tokenElementId = (id: SettingId): string => `token-${id}`;

/** One setting as a short sentence, or by its name alone. How far it is honoured shows in its line and in words. */
export function Token({ id, brief = false }: { id: SettingId; brief?: boolean }): ReactElement | null {
  const dispatch = useAppDispatch();
  const embed = useAppSelector(selectEmbed);
  const book = useAppSelector(selectBook);
  const pointed = useAppSelector((state) => state.view.pointed === id);
  const open = useAppSelector((state) => state.view.open === id);
  if (!embed) return null;
  const entry = embed.plan.entries.find((e) => e.setting === id);
  const offer = offerOf(id, embed.item, book);
  const state = entry?.state ?? (offer === 'offered' ? 'untouched' : offer);
  const told = entry ? !PLAIN.includes(entry.state) : offer !== 'offered';
  return (
    <button
      type="button"
      id={tokenElementId(id)}
      className="token"
      data-state={state}
      data-pointed={pointed}
      aria-haspopup="dialog"
      aria-expanded={open}
      onClick={() => dispatch(tokenOpened(id))}
      onMouseEnter={() => dispatch(pointedAt(id))}
      onMouseLeave={() => dispatch(pointedAt(null))}
      onFocus={() => dispatch(pointedAt(id))}
      onBlur={() => dispatch(pointedAt(null))}
    >
      <span className="token-words">
        {brief ? settingOf(id).label.toLowerCase() : saySetting(id, embed.settings[id] ?? entry?.asked)}
      </span>
      {told && !brief && <small>{STATE_WORDS[entry?.state ?? (offer as PlanState)]}</small>}
    </button>
  );
}
