import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { canBeStyle, emptyStyle, ruleFor, withoutRule, withRule } from '../../../core/known/styles/style.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import { saySetting } from '../../../messages/settings.ts';
import { sayKinds } from '../../../messages/kinds.ts';
import { changed, styleTaken } from '../../state/bench.ts';
import { keepStyle } from '../../state/houseStyles.ts';
import { selectEmbed, selectSite, selectStyle, selectStyles } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

/** What the house style of the site says of a setting; what differs is put back, or taken into the style. */
export function StyleNote({ id }: { id: SettingId }): ReactElement | null {
  const dispatch = useAppDispatch();
  const store = useStore() as Store;
  const site = useAppSelector(selectSite);
  const embed = useAppSelector(selectEmbed);
  const style = useAppSelector(selectStyle);
  const kept = useAppSelector((state) => (site ? selectStyles(state)[site.id] : undefined));
  const [reason, setReason] = useState('');
  if (!site || !embed || !canBeStyle(id, embed.item.kind)) return null;
  const { kind } = embed.item;
  const [said, value] = [style[id], embed.settings[id]];
  const why = ruleFor(kept, kind, id)?.reason;
  if (said === undefined && value === undefined) return null;
  if (said === value)
    return (
      <p className="marked my-2 border-l-green py-1.5">
        {t('House style of {site}', { site: site.name })}
        {why && <>: {why}</>}
      </p>
    );
  const take = (): void => {
    const before = kept ?? emptyStyle(site.id);
    const given = reason.trim() === '' ? {} : { reason: reason.trim() };
    const after = value === undefined ? withoutRule(before, kind, id) : withRule(before, { kind, setting: id, value, ...given });
    void keepStyle(store, after);
    const others = Object.fromEntries(Object.entries(style).filter(([one]) => one !== id));
    dispatch(styleTaken(value === undefined ? others : { ...others, [id]: value }));
  };
  return (
    <div
      className={`marked my-2 py-1.5 [&_.field]:mb-1.5 [&_p]:mt-0 [&_p]:mb-1.5 ${said === undefined ? 'border-l-green' : 'border-dashed border-l-amber'}`}
    >
      {said !== undefined && (
        <p>
          {t('The house style of {site} says: {setting}', { site: site.name, setting: saySetting(id, said) })}
          {why && <> ({why})</>}
        </p>
      )}
      <WordsField
        label={t('Why it should be so for all {kind} there', { kind: sayKinds(kind) })}
        labelled="above"
        value={reason}
        set={setReason}
        control={{ maxLength: 200 }}
      />
      <p className="line">
        {said !== undefined && (
          <Button variant="outlined" onClick={() => dispatch(changed({ change: { [id]: said } }))}>
            {t('Put it back')}
          </Button>
        )}
        <Button variant="outlined" onClick={take}>
          {value === undefined ? t('Drop it from the house style') : t('Take it into the house style')}
        </Button>
      </p>
    </div>
  );
}
