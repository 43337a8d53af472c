import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import type { Code } from '../../../core/model/code.ts';
import type { Origin } from '../../../core/model/plan.ts';
import { FORMS, type CodeFormId } from '../../../core/write/forms/list.ts';
import { sayOrigin, saySetting, sayState } from '../../../messages/en.ts';
import { copyCode } from '../../commands/copyCode.ts';
import { formChosen } from '../../state/bench.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { pointedAt, tokenOpened } from '../../state/view.ts';
import { useCommand } from '../../ui/useCommand.ts';

const COPY_WORDS = {
  no: 'Copy the code',
  yes: 'Copied',
  failed: 'The browser refused: select the code and copy it by hand',
} as const;

/** The code in the chosen form. Pointing at a part lights up its token, and the other way round. */
export function CodePane(): ReactElement {
  const dispatch = useAppDispatch();
  const embed = useAppSelector(selectEmbed);
  const form = useAppSelector((state) => state.bench.present.form);
  const copied = useAppSelector((state) => state.view.copied);
  const { can, run } = useCommand(copyCode);
  return (
    <section className="code" aria-label="Code">
      <div className="code-head">
        <label>
          Form{' '}
          <select value={form} onChange={(event) => dispatch(formChosen(event.target.value as CodeFormId))}>
            {FORMS.map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </select>
        </label>
        <Button variant="contained" className="copy" disabled={!can} onClick={run} aria-keyshortcuts="c">
          {COPY_WORDS[copied]}
        </Button>
        <span className="hidden-words" role="status">
          {copied === 'no' ? '' : COPY_WORDS[copied]}
        </span>
      </div>
      {embed ? <CodeText code={embed.code} /> : <p className="quiet code-empty">The code to take away stands here.</p>}
      <p className="code-foot">{embed && <Explanation />}</p>
    </section>
  );
}

function CodeText({ code }: { code: Code }): ReactElement {
  const pieces: ReactElement[] = [];
  let at = 0;
  code.map.forEach(({ range: [from, to], origin }) => {
    if (from > at) pieces.push(<span key={at}>{code.text.slice(at, from)}</span>);
    pieces.push(<Part key={from} origin={origin} text={code.text.slice(from, to)} />);
    at = to;
  });
  if (at < code.text.length) pieces.push(<span key={at}>{code.text.slice(at)}</span>);
  return (
    <pre className="code-text" tabIndex={0} aria-label="The code">
      <code>{pieces}</code>
    </pre>
  );
}

function Part({ origin, text }: { origin: Origin; text: string }): ReactElement {
  const dispatch = useAppDispatch();
  const pointed = useAppSelector((state) => state.view.pointed === origin);
  const point = (on: boolean) => (): void => void dispatch(pointedAt(on ? origin : null));
  const events = { onMouseEnter: point(true), onMouseLeave: point(false) };
  if (origin === 'item')
    return (
      <span className="code-part" data-origin="item" data-pointed={pointed} {...events}>
        {text}
      </span>
    );
  return (
    <span
      role="button"
      tabIndex={0}
      className="code-part"
      data-origin={origin}
      data-pointed={pointed}
      {...events}
      onFocus={point(true)}
      onBlur={point(false)}
      onClick={() => dispatch(tokenOpened(origin))}
      onKeyDown={(event) => event.key === 'Enter' && dispatch(tokenOpened(origin))}
    >
      {text}
    </span>
  );
}

/** What is pointed at, in words; otherwise what this form of code leaves out. */
function Explanation(): ReactElement | null {
  const pointed = useAppSelector((state) => state.view.pointed);
  const embed = useAppSelector(selectEmbed)!;
  const entry = embed.plan.entries.find((e) => e.setting === pointed);
  if (pointed === 'item') return <>{sayOrigin(embed.item)}</>;
  if (pointed)
    return (
      <>
        {entry
          ? `${saySetting(pointed, entry.asked)}: ${sayState(entry)}`
          : `${saySetting(pointed, undefined)}: nothing is sent for it.`}
      </>
    );
  const written = new Set(embed.code.map.map((mark) => mark.origin));
  const left = embed.plan.entries.filter(
    (e) => (e.sent.length > 0 || e.state === 'done here') && !written.has(e.setting) && embed.code.form === 'link',
  );
  if (left.length > 0) return <>This form cannot carry: {left.map((e) => saySetting(e.setting, e.asked)).join(', ')}.</>;
  return <>{FORMS.find((f) => f.id === embed.code.form)!.help}</>;
}
