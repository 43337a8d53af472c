import {
  Button,
  Checkbox,
  FormControlLabel,
  LinearProgress,
  MenuItem,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
} from '@mui/material';
import { useEffect, useState, type ReactElement, type SubmitEvent } from 'react';
import { JOB_STATES, sayJobRefusal } from '../../../messages/connect.ts';
import { programs, rowsOf, type Job } from '../../state/programs.ts';
import { ONCE, whyRefused } from '../../state/server.ts';
import { useAppDispatch } from '../../state/store.ts';
import { saveFile } from '../../ui/files.ts';
import { ServerSitePick } from './ServerSitePick.tsx';
import { useAsk } from './useAsk.ts';
import { showMoment, t } from '../../../messages/t.ts';

/** Milliseconds between two looks at jobs that are under way, and at those that are not. */
const [SOON, LATER] = [1000, 15_000];

/** Work that takes long, done by the server while nobody waits: ordered, followed, called off, taken home. */
export function JobsPart({ accessKey: key }: { accessKey: string }): ReactElement {
  const [look, { data: jobs, error }] = useAsk((dispatch, wanted: { key: string }) =>
    dispatch(programs.endpoints.jobs.initiate(wanted, ONCE)),
  );
  const busy = jobs?.some(({ state }) => state === 'waiting' || state === 'running') ?? false;
  useEffect(() => {
    void look({ key });
    const timer = setInterval(() => document.hidden || void look({ key }), busy ? SOON : LATER);
    return () => clearInterval(timer);
  }, [look, key, busy]);
  const changed = (): void => void look({ key });
  return (
    <section aria-labelledby="connect-jobs">
      <h2 id="connect-jobs">{t('Jobs')}</h2>
      <p>
        {t(
          'A batch of many thousand rows, or the sweep of a site at its address. The server goes on with it when you close this page; what it made is kept for a week.',
        )}
      </p>
      <OrderJob accessKey={key} changed={changed} />
      {error !== undefined && <p className="wrong">{sayJobRefusal(whyRefused(error))}</p>}
      {error === undefined && jobs?.length === 0 && <p className="text-quiet">{t('No job yet.')}</p>}
      {error === undefined && jobs && jobs.length > 0 && (
        <Table size="small" aria-label={t('Jobs')}>
          <TableHead>
            <TableRow>
              <TableCell>{t('Job')}</TableCell>
              <TableCell>{t('Ordered')}</TableCell>
              <TableCell>{t('State')}</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {jobs.map((job) => (
              <JobRow key={job.id} job={job} accessKey={key} changed={changed} />
            ))}
          </TableBody>
        </Table>
      )}
    </section>
  );
}

interface JobRowProps {
  job: Job;
  accessKey: string;
  changed: () => void;
}

function JobRow({ job, accessKey: key, changed }: JobRowProps): ReactElement {
  const dispatch = useAppDispatch();
  const { jobCancelled, jobRetried } = programs.endpoints;
  const change = (what: typeof jobCancelled | typeof jobRetried): void =>
    void dispatch(what.initiate({ id: job.id, key })).then(changed);
  const { id, kind, title, state, parts, made, failed } = job;
  const name = title || (kind === 'batch' ? t('Batch') : t('Sweep'));
  const take = (): void =>
    void rowsOf(id, key).then(
      (rows) => saveFile(`${kind}-${id.slice(0, 8)}.ndjson`, rows, 'application/x-ndjson'),
      () => undefined,
    );
  return (
    <TableRow>
      <TableCell>{name}</TableCell>
      <TableCell>{showMoment(new Date(job.ordered))}</TableCell>
      <TableCell>
        {JOB_STATES[state]}
        {(state === 'running' || state === 'waiting') && (
          <LinearProgress
            variant="determinate"
            value={(100 * made) / parts}
            aria-label={t('How far {name} has come', { name })}
          />
        )}
        <small className="block text-quiet">
          {t('{made} of {parts, plural, one {# part} other {# parts}}', { made, parts })}
          {failed > 0 && t(', {failed} failed: {why}', { failed, why: job.why ?? '' })}
        </small>
      </TableCell>
      <TableCell>
        {made > 0 && <Button onClick={take}>{t('Save rows')}</Button>}
        {(state === 'waiting' || state === 'running') && <Button onClick={() => change(jobCancelled)}>{t('Cancel')}</Button>}
        {(state === 'failed' || state === 'cancelled') && <Button onClick={() => change(jobRetried)}>{t('Go on')}</Button>}
      </TableCell>
    </TableRow>
  );
}

function OrderJob({ accessKey: key, changed }: Omit<JobRowProps, 'job'>): ReactElement {
  const [order, { error, asking }] = useAsk((dispatch, wanted: { order: object; key: string }) =>
    dispatch(programs.endpoints.jobOrdered.initiate(wanted)),
  );
  const [text, setText] = useState('');
  const [title, setTitle] = useState('');
  const [site, setSite] = useState('');
  const [asks, setAsks] = useState(false);
  const page = /^https?:\/\/\S+$/.test(text.trim()) ? text.trim() : null;
  const [kind, setKind] = useState<'batch' | 'sweep'>('batch');
  const send = (event: SubmitEvent): void => {
    event.preventDefault();
    const common = { title, site: site === '' ? null : site };
    const whole = kind === 'batch' ? { kind, text, ask: asks, ...common } : { kind, url: page, ...common };
    void order({ key, order: whole }).then(({ data }) => {
      if (!data) return;
      setText('');
      changed();
    });
  };
  return (
    <form className="connect-ask mt-4 grid gap-3 [&>:first-child]:col-span-full" onSubmit={send}>
      <div className="line mb-2.5 items-start gap-3 [&>div]:min-w-[180px]">
        <TextField
          size="small"
          select
          label={t('Kind of job')}
          value={kind}
          onChange={({ target }) => setKind(target.value as typeof kind)}
        >
          <MenuItem value="batch">{t('Batch')}</MenuItem>
          <MenuItem value="sweep">{t('Sweep of a site')}</MenuItem>
        </TextField>
        <TextField size="small" label={t('Name')} value={title} onChange={({ target }) => setTitle(target.value)} />
        <ServerSitePick label={t('Site of the job')} site={site} choose={setSite} />
      </div>
      <TextField
        size="small"
        multiline={kind === 'batch'}
        minRows={kind === 'batch' ? 3 : 1}
        maxRows={8}
        label={kind === 'batch' ? t('Links, a table as CSV, or a feed') : t('Address of the site')}
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      <p>
        {kind === 'batch' && (
          <FormControlLabel
            control={<Checkbox checked={asks} onChange={(_, on) => setAsks(on)} />}
            label={t('Ask hosts for titles and sizes')}
          />
        )}
        <Button type="submit" variant="outlined" disabled={asking || (kind === 'batch' ? text.trim() === '' : page === null)}>
          {t('Order')}
        </Button>
      </p>
      {error !== undefined && <p className="wrong">{sayJobRefusal(whyRefused(error))}</p>}
    </form>
  );
}
