import { Button } from '@mui/material';
import { Fragment, Suspense, useMemo, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { canKeep } from '../../../core/live/keep.ts';
import { AS_IT_STANDS, type CodeRange } from '../../../core/model/code.ts';
import type { SettingsFix } from '../../../core/model/plan.ts';
import type { Embed } from '../../../core/pipeline.ts';
import { formOf, FORMS, type CodeFormId } from '../../../core/steps/write/forms/list.ts';
import { copyCode } from '../../commands/copyCode.ts';
import { codeKept, formChosen, gestureEnded, redone, undone } from '../../state/bench.ts';
import { editCode, editText } from '../../state/editWork.ts';
import { selectEmbed, selectFacts, selectFound, selectInHand, selectRecognised } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { pointedAt, tokenOpened, wayOpened, type CodeWay } from '../../state/view.ts';
import { saveFile } from '../../ui/files.ts';
import { lazily, whenUsed } from '../../ui/lazily.ts';
import { Toolbar } from '../../ui/Toolbar.tsx';
import { useCommand } from '../../ui/useCommand.ts';
import { fileOf } from '../../../core/many/kit/codeFile.ts';
import { linesOf } from './codeLines.ts';
import { troublesOf } from './codeTroubles.ts';
import { t } from '../../../messages/t.ts';
import { formLabelOf } from '../../../messages/labels.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';

// The code is there at once, as text; the editor comes as soon as somebody does anything.
const CodeEditor = lazily(() => whenUsed().then(() => import('./CodeEditor.tsx').then((module) => module.CodeEditor)), PlainCode);

const CodeComparison = lazily(
  () => import('./CodeComparison.tsx').then((module) => module.CodeComparison),
  () => null,
);

const PublishedCode = lazily(
  () => import('./PublishedCode.tsx').then((module) => module.PublishedCode),
  () => null,
);

const Dates = lazily(
  () => import('./Dates.tsx').then((module) => module.Dates),
  () => null,
);

const SeveralCodes = lazily(
  () => import('./SeveralCodes.tsx').then((module) => module.SeveralCodes),
  () => null,
);

/** The code until the editor is there, or where it cannot be loaded. */
function PlainCode({ text }: { text: string }): ReactElement {
  return (
    <pre className="code-text" tabIndex={0} aria-label={t('The code')}>
      <code>
        {linesOf(text).map((line, i) => (
          <Fragment key={i}>
            {i > 0 && <br />}
            {line}
          </Fragment>
        ))}
      </code>
    </pre>
  );
}

/** What else is done with the code, in the order of the work. */
const WAYS: readonly { way: CodeWay; words: string }[] = [
  { way: 'compare', words: t('Compare') },
  { way: 'several', words: t('Several types') },
  { way: 'back', words: t('Published code') },
  { way: 'dates', words: t('Dates') },
];

const COPY_WORDS = {
  no: t('Copy the code'),
  yes: t('Copied'),
  failed: t('The browser refused: select the code and copy it by hand'),
} as const;

/** The code in the chosen form, open to change by hand. Pointing at a part lights up its token, and the other way round. */
export function CodePane(): ReactElement {
  const store = useStore() as Store;
  const there = useAppSelector((state) => selectEmbed(state) !== null);
  const copied = useAppSelector((state) => state.view.copied);
  const dispatch = useAppDispatch();
  const beside = useAppSelector((state) => state.view.beside);
  const close = (): void => void dispatch(wayOpened(null));
  const { can, run } = useCommand(copyCode);
  const save = (): void => {
    const state = store.getState();
    const embed = selectEmbed(state);
    if (embed) saveFile(...fileOf(embed.code, selectFacts(state).title ?? embed.item.id));
  };
  return (
    <section className="code px-3 py-2 max-desk:order-3 max-desk:border-t-2 max-desk:border-t-line" aria-label={t('Code')}>
      <div className="line code-head justify-between [&_.field]:flex-[1_1_150px] [&_.field]:flex-nowrap [&_.field]:whitespace-nowrap">
        <FormChoice />
        <Button variant="contained" disabled={!can} onClick={run} aria-keyshortcuts="c">
          {COPY_WORDS[copied]}
        </Button>
        <span className="hidden-words" role="status">
          {copied === 'no' ? '' : COPY_WORDS[copied]}
        </span>
      </div>
      {there ? <Editor /> : <p className="text-quiet">{t('The code to copy appears here.')}</p>}
      <Toolbar
        label={t('What else is done with the code')}
        className="line gap-1.5 [&_.inline-remedy]:px-1.5 [&_.inline-remedy]:py-0 [&_.inline-remedy]:text-small"
      >
        {WAYS.map(({ way, words }) => (
          <button key={way} type="button" className="inline-remedy" disabled={!there} onClick={() => dispatch(wayOpened(way))}>
            {words}
          </button>
        ))}
        <button type="button" className="inline-remedy" title={t('Save the code as a file')} disabled={!there} onClick={save}>
          {t('Save as file')}
        </button>
      </Toolbar>{' '}
      <Suspense fallback={null}>
        {beside === 'compare' && <CodeComparison close={close} />}
        {beside === 'back' && <PublishedCode close={close} />}
        {beside === 'dates' && <Dates close={close} />}
        {beside === 'several' && <SeveralCodes close={close} />}
      </Suspense>
    </section>
  );
}

/** A longer text is a page with a code in it. */
const LONGEST_HAND = 5000;

function FormChoice(): ReactElement {
  const dispatch = useAppDispatch();
  const form = useAppSelector((state) => state.bench.present.form);
  const code = useAppSelector((state) => state.bench.present.code);
  const text = useAppSelector((state) => state.bench.present.text);
  const { candidate } = useAppSelector(selectRecognised);
  // What stands around a single code, such as a comment, is kept with it; of a page only the code is taken.
  const alone = useAppSelector((state) => selectFound(state).length === 1) && text.length < LONGEST_HAND;
  const keepable = canKeep(candidate) || code !== null;
  const choose = (id: string): void => {
    if (id !== AS_IT_STANDS) dispatch(formChosen(id as CodeFormId));
    else dispatch(codeKept(code ?? (alone ? text : text.slice(...candidate.range))));
  };
  return (
    <ChoiceField
      label={t('Code type')}
      value={form}
      options={[
        ...FORMS.map(({ id }) => [id, formLabelOf(id)] as const),
        ...(keepable ? [[AS_IT_STANDS, code === null ? t('As it was pasted') : t('Your own code')] as const] : []),
      ]}
      set={choose}
    />
  );
}

function Editor(): ReactElement {
  const embed = useAppSelector(selectEmbed)!;
  const dispatch = useAppDispatch();
  const pointed = useAppSelector((state) => state.view.pointed);
  const hand = useAppSelector(selectInHand);
  const shown = embed.code.form === AS_IT_STANDS;
  const undecided = useAppSelector((state) => state.bench.present.running === null) && shown && hand?.item?.running !== undefined;
  const troubles = useMemo(() => troublesOf(shown ? hand : null), [hand, shown]);
  const changes = useAppSelector((state) => state.bench.present.changes);
  const edited = (code: string): void => {
    if (embed.code.form === 'link') dispatch(editText(code));
    else dispatch(editCode(code, unsaid(embed, changes)));
  };
  return (
    <Suspense fallback={<PlainCode text={embed.code.text} />}>
      <CodeEditor
        // What runs is not taken away; but until that is decided, it is not taken from under the hands that write it either.
        text={undecided ? hand.text : embed.code.text}
        fixed={isFixed(embed)}
        map={undecided ? NO_MARKS : embed.code.map}
        pointed={pointed}
        troubles={troubles}
        edited={edited}
        point={(origin) => dispatch(pointedAt(origin))}
        open={(origin) => origin !== 'item' && dispatch(tokenOpened(origin))}
        undo={() => dispatch(undone())}
        redo={() => dispatch(redone())}
        left={() => dispatch(gestureEnded())}
      />
    </Suspense>
  );
}

const NO_MARKS: readonly CodeRange[] = [];

/** Only what can be read back can be changed by hand; a link is read as the text that was brought in. */
const isFixed = ({ code: { form } }: Embed): boolean =>
  form !== AS_IT_STANDS && form !== 'link' && formOf(form as CodeFormId).carries !== 'everything';

/** Changes that no code can say, since nothing is written for them: they are asked for all the same. */
function unsaid({ plan }: Embed, changes: SettingsFix): SettingsFix {
  const silent = new Set(
    plan.entries.filter(({ state }) => state === 'not offered' || state === 'not applicable').map((e) => e.setting),
  );
  return Object.fromEntries(Object.entries(changes).filter(([id]) => silent.has(id as never)));
}
