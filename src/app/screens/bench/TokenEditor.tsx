import { Button, Popover, type PopoverActions } from '@mui/material';
import { useCallback, useRef, type ReactElement } from 'react';
import type { PlanEntry } from '../../../core/model/plan.ts';
import { isProposed } from '../../../core/known/hosts/card.ts';
import { settingOf, type SettingId } from '../../../core/known/settings/list.ts';
import { sayFix } from '../../../messages/settings.ts';
import { sayState } from '../../../messages/plan.ts';
import { changed } from '../../state/bench.ts';
import { selectCard, selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { tokenOpened } from '../../state/view.ts';
import { FINDER_BUTTON } from './finderButton.ts';
import { StyleNote } from './StyleNote.tsx';
import { tokenElementId } from './Token.tsx';
import { ValueField } from './ValueField.tsx';
import { VALUE_FORM } from './valueFieldProps.ts';
import { t } from '../../../messages/t.ts';
import { helpOf, labelOf } from '../../../messages/labels.ts';

/** The setting whose token was opened, in place. */
export function TokenEditor(): ReactElement | null {
  const dispatch = useAppDispatch();
  const id = useAppSelector((state) => state.view.open);
  const close = (): void => void dispatch(tokenOpened(null));
  const popover = useRef<PopoverActions>(null);
  // What is in it may grow, as a picture that was chosen does.
  const watch = useCallback((content: HTMLElement | null) => {
    if (!content) return undefined;
    const observer = new ResizeObserver(() => popover.current?.updatePosition());
    observer.observe(content);
    return () => observer.disconnect();
  }, []);
  if (!id) return null;
  // Its token may be laid out only now; where it has none, or is folded away, it is opened where it was found.
  const anchor = (): HTMLElement => {
    const token = document.getElementById(tokenElementId(id));
    return token?.checkVisibility() ? token : document.getElementById(FINDER_BUTTON)!;
  };
  return (
    <Popover
      open
      action={popover}
      anchorEl={anchor}
      onClose={close}
      anchorOrigin={{ vertical: 'top', horizontal: 'left' }}
      transformOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': labelOf(id) } as object }}
    >
      <div ref={watch}>
        <Editor id={id} close={close} />
      </div>
    </Popover>
  );
}

function Editor({ id, close }: { id: SettingId; close: () => void }): ReactElement {
  const dispatch = useAppDispatch();
  const { value: type } = settingOf(id);
  const typed = type.type !== 'switch' && type.type !== 'choice' && type.type !== 'set';
  const embed = useAppSelector(selectEmbed);
  const value = embed?.settings[id];
  const entry = embed?.plan.entries.find((e) => e.setting === id);
  return (
    <div className="editor">
      <h3>{labelOf(id)}</h3>
      <p className="quiet">{helpOf(id)}</p>
      <ValueField id={id} value={value} set={(next) => dispatch(changed({ change: { [id]: next } }))} close={close} />
      <CardNote id={id} />
      {entry && <Outcome entry={entry} />}
      <StyleNote id={id} />
      <div className="editor-ends">
        <Button disabled={value === undefined} onClick={() => dispatch(changed({ change: { [id]: null } }))}>
          {t('Reset')}
        </Button>
        <Button variant="contained" {...(typed ? { type: 'submit', form: VALUE_FORM } : { onClick: close })}>
          {t('Done')}
        </Button>
      </div>
    </div>
  );
}

/** What the card of the host tells of the setting, with its date. */
function CardNote({ id }: { id: SettingId }): ReactElement | null {
  const card = useAppSelector(selectCard);
  const use = card?.settings[id];
  if (!card || !use) return null;
  if (isProposed(use))
    return <p className="card-note">{t('A guess: nobody has seen this host obey it yet. Play it through to find out.')}</p>;
  const note = use.in === 'nowhere' ? { text: use.note, date: use.since } : use.note;
  return note ? (
    <p className="card-note">{t('{card}, as of {date}: {text}', { card: card.name, date: note.date, text: note.text })}</p>
  ) : null;
}

function Outcome({ entry }: { entry: PlanEntry }): ReactElement {
  const dispatch = useAppDispatch();
  return (
    <div className="outcome" data-state={entry.state} role="status">
      <p>{sayState(entry)}</p>
      {entry.fix && (
        <Button variant="outlined" color="warning" onClick={() => dispatch(changed({ change: entry.fix! }))}>
          {sayFix(entry.fix)}
        </Button>
      )}
    </div>
  );
}
