import { InputBase } from '@mui/material';
import { Suspense, useEffect, useMemo, useRef, type ClipboardEvent, type ReactElement } from 'react';
import { Link } from 'react-router';
import { playerOf } from '../../../core/teach/pagePlayer.ts';
import { sayRefusal } from '../../../messages/reading.ts';
import { WHY_NOT } from '../../../messages/reached.ts';
import { selectSaid } from '../../state/answers.ts';
import { broughtIn, gestureEnded, siteChosen, textReplaced } from '../../state/bench.ts';
import { editText } from '../../state/editWork.ts';
import { selectAbout, selectBook, selectItem, selectRecognised, selectSite, selectSites } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { lazily } from '../../ui/lazily.ts';
import { showNumber, t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';

/** More than this is not laid into a field; it is told by its length. */
const SHOWN = 20_000;

/** Only who has a name and no link has need of it. */
const FindByName = lazily(
  () => import('./FindByName.tsx').then((module) => module.FindByName),
  () => null,
);
/** A few words on one line, in which there is neither a link nor code. */
const isName = (text: string, refusal: string | undefined): boolean =>
  refusal === 'nothingFound' && /^\s*[^\n<>{}[\]]{2,100}\s*$/.test(text) && /\p{L}{2}/u.test(text);

const PASTE_FIELD = {
  rows: 1,
  wrap: 'off',
  spellCheck: false,
  'data-paste-line': true,
  'aria-describedby': 'paste-answer',
} as const;

export function PasteLine({ missing }: { missing: boolean }): ReactElement {
  const dispatch = useAppDispatch();
  const field = useRef<HTMLTextAreaElement>(null);
  const { id, text } = useAppSelector((state) => state.bench.present);
  const opened = useAppSelector((state) => !state.bench.touched);
  // What is pasted the moment after something came onto the Bench takes its place, and is not laid behind it.
  useEffect(() => {
    if (opened && document.activeElement === field.current) field.current?.select();
  }, [id, opened]);
  const { refusal } = useAppSelector(selectRecognised);
  const named = isName(text, refusal?.code);
  const onPaste = (event: ClipboardEvent): void => {
    const { selectionStart, selectionEnd, value } = field.current!;
    const whole = value === '' || (selectionStart === 0 && selectionEnd === value.length) || value.length !== text.length;
    const pasted = event.clipboardData.getData('text/plain');
    if (!whole || pasted.trim() === '') return;
    event.preventDefault();
    dispatch(broughtIn(pasted));
  };
  const long = text.length > SHOWN;
  return (
    <section
      className="paste grid grid-cols-[auto_minmax(0,1fr)_250px] items-center gap-x-3 gap-y-1 border-b border-b-line bg-pane px-4 pt-[7px] pb-[7px] area-[paste] max-desk:grid-cols-[minmax(0,1fr)] max-desk:gap-2.5"
      aria-label={t('Bring in')}
    >
      <label className="font-semibold" htmlFor="paste">
        {t('Share link or embed code')}
      </label>
      <InputBase
        id="paste"
        className="box h-9 bg-ground [&>textarea]:h-4.5 [&>textarea]:resize-none [&>textarea]:overflow-hidden"
        error={refusal !== undefined && text !== '' && !named}
        inputRef={field}
        inputComponent="textarea"
        inputProps={PASTE_FIELD}
        placeholder={t('Paste a share link or an embed code here, or anywhere on the Bench')}
        value={
          long ? t('{count} characters pasted: {text} …', { count: showNumber(text.length), text: text.slice(0, 60) }) : text
        }
        onFocus={({ target }) => target.select()}
        onBlur={() => dispatch(gestureEnded())}
        // Out of the field, single keys are commands again.
        onKeyDown={({ key }) => key === 'Escape' && field.current!.blur()}
        onPaste={onPaste}
        onChange={(event) => dispatch(long ? broughtIn(event.target.value) : editText(event.target.value))}
      />
      <SiteChoice />
      <div
        id="paste-answer"
        className="col-start-2 max-desk:col-start-1 [&_.wrong]:text-brick [&_p]:mt-0.5 [&_p]:mb-0"
        role="status"
      >
        {missing && <p>{t('Nothing is saved in this browser under that address. Here is an example instead.')}</p>}
        <BatchRowNote />
        <FoundPlayer />
        <Suspense fallback={null}>{named && <FindByName key={text} words={text.trim()} />}</Suspense>
        {refusal && (
          <p className={named || text.trim() === '' ? 'text-quiet' : 'wrong'}>
            {sayRefusal(refusal)}
            {refusal.code === 'notForVisitors' && (
              <button type="button" className="inline-remedy ml-2" onClick={() => dispatch(textReplaced(refusal.instead))}>
                {t('Use {instead}', { instead: refusal.instead.replace(/^https?:\/\//, '') })}
              </button>
            )}
          </p>
        )}
      </div>
    </section>
  );
}

const FOUND_BY = { oembed: 'oEmbed', openGraph: t('Open Graph'), jsonLd: t('its structured data') } as const;

/** The page of an unknown host names a player of its own: it is taken in one press. */
function FoundPlayer(): ReactElement | null {
  const dispatch = useAppDispatch();
  const resolved = useAppSelector((state) => selectSaid(state, selectAbout(state) ?? ''));
  const link = useAppSelector(
    (state) => selectItem(state)?.form === 'address' && selectRecognised(state).candidate.source === 'link',
  );
  const page = useAppSelector(selectItem);
  const book = useAppSelector(selectBook);
  const answers = useAppSelector((state) => state.world.serverAnswers);
  const usable = useMemo(
    () => (link && page && resolved?.found ? playerOf(resolved.found.text, page, book) : null),
    [link, page, resolved, book],
  );
  const trusted = page?.asks !== undefined && usable !== null && usable.elsewhere === null;
  // A card says that the page is to be asked: what it answers is taken at once, but not again where somebody went back.
  const taken = useRef(new Set<string>());
  useEffect(() => {
    if (!trusted || taken.current.has(resolved!.found!.text)) return;
    taken.current.add(resolved!.found!.text);
    dispatch(textReplaced(resolved!.found!.text));
  }, [trusted, resolved, dispatch]);
  if (!link) return null;
  // The line stands from the start: an answer that comes late may not move what a publisher is about to press.
  if (!resolved) return answers ? <p className="text-quiet">{t('The page is being asked for its player.')}</p> : null;
  const { found, refused } = resolved;
  if (usable)
    return (
      <p>
        {t('This page says by {means} where its player is.', { means: FOUND_BY[found!.by] })}{' '}
        {usable.elsewhere !== null && (
          <strong className="wrong">
            {t('It is at {elsewhere}, another host than the page: use it only if you know it.', { elsewhere: usable.elsewhere })}
          </strong>
        )}{' '}
        <button type="button" className="inline-remedy ml-2" onClick={() => dispatch(textReplaced(found!.text))}>
          {t('Use {frame}', { frame: (usable.item.frame ?? usable.item.canonical).replace(/^https?:\/\//, '').slice(0, 60) })}
        </button>
      </p>
    );
  if (refused)
    return (
      <p className="text-quiet">
        {t('The page could not be asked for its player: {why}.', { why: WHY_NOT[refused] ?? refused })}
      </p>
    );
  return (
    <p className="text-quiet">{t('The page names no player of its own. If the host gives embed code, paste that instead.')}</p>
  );
}

/** Where a row of a batch is worked on, the way back to the others. */
function BatchRowNote(): ReactElement | null {
  const row = useAppSelector((state) => /^batch-.*-(\d+)$/.exec(state.bench.present.id)?.[1]);
  return row === undefined ? null : (
    <p className="text-quiet">
      {t('Row {row} of the batch.', { row })} <Link to="/batch">{t('Back to the batch')}</Link>
    </p>
  );
}

function SiteChoice(): ReactElement {
  const dispatch = useAppDispatch();
  const sites = useAppSelector(selectSites);
  const site = useAppSelector(selectSite);
  const choose = (id: string): void => {
    const to = sites.find((one) => one.id === id);
    if (to) dispatch(siteChosen({ from: site, to }));
  };
  return (
    <ChoiceField
      label={t('For the site')}
      className="site-choice grid gap-0 text-small leading-3.5 text-quiet [&_.box]:text-text"
      value={site?.id ?? ''}
      options={sites.map(({ id, name, column }) => [id, t('{name} · {column} px', { name, column })])}
      set={choose}
    />
  );
}
