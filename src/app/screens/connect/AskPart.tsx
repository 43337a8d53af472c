import { Button, MenuItem, TextField } from '@mui/material';
import { useEffect, useState, type ReactElement, type SubmitEvent } from 'react';
import { programs } from '../../state/programs.ts';
import { ONCE } from '../../state/server.ts';
import { asCommand } from './asCommand.ts';
import { CopyLine } from './CopyLine.tsx';
import { useAsk } from './useAsk.ts';
import { t } from '../../../messages/t.ts';

const pretty = (data: unknown): string => JSON.stringify(data, null, 2);

function parsed(text: string): { body: unknown } | null {
  try {
    return { body: JSON.parse(text) as unknown };
  } catch {
    return null;
  }
}

/** Any question that programs may ask: its body, with an example to begin with, and the answer. */
export function AskPart({ accessKey }: { accessKey: string }): ReactElement | null {
  const [describe, { data: described }] = useAsk((dispatch, _: null) =>
    dispatch(programs.endpoints.described.initiate(undefined, ONCE)),
  );
  const [send, { data, error, asking }, forget] = useAsk((dispatch, wanted: { path: string; body: unknown; key: string }) =>
    dispatch(programs.endpoints.asked.initiate(wanted)),
  );
  useEffect(() => void describe(null), [describe]);
  const [path, setPath] = useState('/embed');
  const [texts, setTexts] = useState<ReadonlyMap<string, string>>(new Map());
  if (!described) return null;
  const questions = Object.entries(described.paths).flatMap(([to, { post }]) => (post?.requestBody ? [{ to, post }] : []));
  const question = questions.find(({ to }) => to === path) ?? questions[0]!;
  const text = texts.get(path) ?? pretty(question.post.requestBody!.content['application/json'].example);
  const read = parsed(text);
  const ask = (event: SubmitEvent): void => {
    event.preventDefault();
    if (read) void send({ path, body: read.body, key: accessKey });
  };
  return (
    <form className="connect-ask mt-4 grid gap-3 [&>:first-child]:col-span-full" data-sides onSubmit={ask}>
      <TextField
        size="small"
        select
        label={t('Question')}
        value={path}
        onChange={({ target }) => {
          setPath(target.value);
          forget();
        }}
      >
        {questions.map(({ to, post }) => (
          <MenuItem key={to} value={to}>
            {to}: {t(post.summary)}
          </MenuItem>
        ))}
      </TextField>
      <div>
        <TextField
          size="small"
          multiline
          maxRows={14}
          fullWidth
          label={t('What is sent')}
          value={text}
          onChange={({ target }) => setTexts(new Map(texts).set(path, target.value))}
          error={!read}
          helperText={read ? '' : t('This is no JSON: look for a missing comma or quotation mark.')}
          slotProps={{ htmlInput: { spellCheck: false } }}
          className="[&_textarea]:type-code"
        />
        <p className="mt-3!">
          <Button type="submit" variant="outlined" disabled={!read || asking}>
            {t('Send')}
          </Button>
        </p>
      </div>
      <div role="status" aria-label={t('Answer')}>
        {(data !== undefined || error !== undefined) && (
          <pre className="connect-code" data-wrong={error !== undefined}>
            {pretty(data ?? (error as { data?: unknown } | undefined)?.data ?? error)}
          </pre>
        )}
      </div>
      <CopyLine text={asCommand(`${location.origin}/api${path}`, text, accessKey)} name={t('the question as a command')} />
    </form>
  );
}
