import { Button, ClickAwayListener, Paper, Popper } from '@mui/material';
import FocusTrap from '@mui/material/Unstable_TrapFocus';
import { useCallback, useEffect, useRef, type ReactElement, type ReactNode } from 'react';
import { useStore } from 'react-redux';
import type { Item } from '../../../core/model/item.ts';
import type { PlanEntry } from '../../../core/model/plan.ts';
import type { Site } from '../../../core/model/site.ts';
import { isProposed } from '../../../core/known/hosts/card.ts';
import { offerOf } from '../../../core/known/hosts/offers.ts';
import { settingOf, type SettingId } from '../../../core/known/settings/list.ts';
import { FORMS, type CodeFormId } from '../../../core/steps/write/forms/list.ts';
import { lacksOf } from '../../../core/steps/write/lacks.ts';
import { sayFix } from '../../../messages/settings.ts';
import { sayState } from '../../../messages/plan.ts';
import { changed, formChosen } from '../../state/bench.ts';
import { selectBook, selectCard, selectEmbed, selectSite } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { tokenOpened } from '../../state/view.ts';
import { AutoplayField } from './AutoplayField.tsx';
import { FINDER_BUTTON } from './finderButton.ts';
import { StyleNote } from './StyleNote.tsx';
import { tokenElementId } from './Token.tsx';
import { ValueField } from './ValueField.tsx';
import { VALUE_FORM } from './valueFieldProps.ts';
import { t } from '../../../messages/t.ts';
import { formLabelOf, helpOf, labelOf } from '../../../messages/labels.ts';

/** The setting whose token was opened, in place. What lies beside it can be pressed at once: the next token, or the code. */
export function TokenEditor(): ReactElement | null {
  const id = useAppSelector((state) => state.view.open);
  return id && <EditorSheet key={id} id={id} />;
}

/**
 * Its token may be laid out only now; where it has none, or is folded away, it is opened where it was found. Null once the
 * Bench has been left.
 */
function anchorOf(id: SettingId): HTMLElement | null {
  const token = document.getElementById(tokenElementId(id));
  return token?.checkVisibility() ? token : document.getElementById(FINDER_BUTTON);
}

function EditorSheet({ id }: { id: SettingId }): ReactElement {
  const dispatch = useAppDispatch();
  const store = useStore() as Store;
  const close = (): void => void dispatch(tokenOpened(null));
  // A press beside it closes it, unless it opened another, or was on its own token, which does so itself.
  const onClickAway = ({ target }: MouseEvent | TouchEvent): void => {
    const { open } = store.getState().view;
    if (open === id && !document.getElementById(tokenElementId(id))?.contains(target as Node)) close();
  };
  // In the whole document: what was pressed in it may have gone since, and the focus with it.
  useEffect(() => {
    const onKeyDown = ({ key, defaultPrevented }: KeyboardEvent): void => {
      if (key === 'Escape' && !defaultPrevented) dispatch(tokenOpened(null));
    };
    document.addEventListener('keydown', onKeyDown);
    return () => document.removeEventListener('keydown', onKeyDown);
  }, [dispatch]);
  const popper = useRef<{ update: () => unknown }>(null);
  // What is in it may grow, as a picture that was chosen does.
  const watch = useCallback((content: HTMLElement | null) => {
    if (!content) return undefined;
    const observer = new ResizeObserver(() => void popper.current?.update());
    observer.observe(content);
    return () => observer.disconnect();
  }, []);
  // Whoever was in it goes on at the token; whoever pressed something else stays there.
  useEffect(
    () => () => {
      if (document.activeElement === document.body) anchorOf(id)?.focus();
    },
    [id],
  );
  return (
    <Popper
      open
      anchorEl={() => anchorOf(id)!}
      placement="top-start"
      popperRef={(made) => void (popper.current = made)}
      modifiers={WITHIN}
      className="z-1300"
    >
      <ClickAwayListener onClickAway={onClickAway}>
        <Paper
          role="dialog"
          aria-label={labelOf(id)}
          className="max-h-[calc(100vh_-_16px)] overflow-auto border border-line [background-image:none] [box-shadow:none]"
        >
          <FocusTrap open disableEnforceFocus disableRestoreFocus>
            <div ref={watch} tabIndex={-1}>
              <Editor id={id} close={close} />
            </div>
          </FocusTrap>
        </Paper>
      </ClickAwayListener>
    </Popper>
  );
}

/** Wholly in the window, over what it belongs to where there is no other room. */
const WITHIN = [{ name: 'preventOverflow', options: { altAxis: true, padding: 8 } }];

function Editor({ id, close }: { id: SettingId; close: () => void }): ReactElement {
  const dispatch = useAppDispatch();
  const { value: type } = settingOf(id);
  const typed = type.type !== 'switch' && type.type !== 'choice' && type.type !== 'set';
  const embed = useAppSelector(selectEmbed);
  const value = embed?.settings[id];
  const entry = embed?.plan.entries.find((e) => e.setting === id);
  const withMute = useAppSelector(
    (state) => id === 'autoplay' && embed !== null && offerOf('mute', embed.item, selectBook(state)) === 'offered',
  );
  return (
    <div className="w-[340px] max-w-[90vw] px-4 py-3 [&_p]:mt-1 [&_p]:mb-2.5">
      <h3>{labelOf(id)}</h3>
      <p className="text-quiet">{helpOf(id)}</p>
      {withMute ? (
        <AutoplayField />
      ) : (
        <ValueField id={id} value={value} set={(next) => dispatch(changed({ change: { [id]: next } }))} close={close} />
      )}
      <CardNote id={id} />
      {entry ? <Outcome entry={entry} /> : <NotOffered id={id} />}
      <StyleNote id={id} />
      <div className="mt-2 flex justify-between">
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

const Told = ({ children }: { children: ReactNode }): ReactElement => (
  <p className="marked mt-2 mb-0 max-w-[420px] text-quiet">{children}</p>
);

/** What the card of the host tells of the setting, with its date. */
function CardNote({ id }: { id: SettingId }): ReactElement | null {
  const card = useAppSelector(selectCard);
  const use = card?.settings[id];
  if (!card || !use) return null;
  if (isProposed(use)) return <Told>{t('A guess: nobody has seen this host obey it yet. Play it through to find out.')}</Told>;
  const note = use.in === 'nowhere' ? { text: use.note, date: use.since } : use.note;
  return note ? <Told>{t('{card}, as of {date}: {text}', { card: card.name, date: note.date, text: note.text })}</Told> : null;
}

/** Said before anything is set: later it is the outcome. */
function NotOffered({ id }: { id: SettingId }): ReactElement | null {
  const card = useAppSelector(selectCard);
  const isOffered = useAppSelector((state) => {
    const embed = selectEmbed(state);
    return embed === null || offerOf(id, embed.item, selectBook(state)) === 'offered';
  });
  if (isOffered || !card) return null;
  return <Told>{t('{card} does not offer this here: nothing would be sent for it.', { card: card.name })}</Told>;
}

function Outcome({ entry }: { entry: PlanEntry }): ReactElement {
  const dispatch = useAppDispatch();
  const able = useAppSelector((state) => ableForm(entry, selectEmbed(state)!.item, selectSite(state)));
  return (
    <div
      className="mt-2.5 border-l-3 border-l-green px-2.5 py-1 data-[state='in_part']:border-l-amber data-[state='not_offered']:border-l-amber data-[state=conflict]:border-l-amber"
      data-state={entry.state}
      role="status"
    >
      <p>{sayState(entry)}</p>
      {entry.fix && (
        <Button variant="outlined" color="warning" onClick={() => dispatch(changed({ change: entry.fix! }))}>
          {sayFix(entry.fix)}
        </Button>
      )}
      {able && (
        <Button variant="outlined" color="warning" onClick={() => dispatch(formChosen(able))}>
          {t('Use “{form}”', { form: formLabelOf(able) })}
        </Button>
      )}
    </div>
  );
}

/** For what the form of code lacks: the first form that can do it, and stays whole on the site. */
function ableForm({ setting, asked, reason }: PlanEntry, item: Item, site: Site | null): CodeFormId | undefined {
  if (reason.code !== 'formLacks') return undefined;
  const kept = FORMS.filter(({ id }) => !site || site.keeps.length === 0 || site.keeps.includes(id));
  return kept.find((form) => !lacksOf(form, item)(setting, asked))?.id;
}
