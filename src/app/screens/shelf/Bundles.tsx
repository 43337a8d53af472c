import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { transfer } from 'comlink';
import { stepKey } from '../../../core/keeping/bundle/merge.ts';
import { sayBundleRefusal, sayDamaged, sayStorageTrouble } from '../../../messages/shelf.ts';
import { toggled } from '../../../core/model/toggled.ts';
import type { Bundler, Looked } from '../../../workers/bundle.ts';
import { openWorker } from '../../askWorker.ts';
import { readTheme } from '../../state/readTheme.ts';
import type { Store } from '../../state/store.ts';
import { changedSinceBundle, lastBundle, noteBundle } from '../../storage/bundles.ts';
import { isFull } from '../../storage/database.ts';
import { saveFile } from '../../ui/files.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { showDay, showNumber, t } from '../../../messages/t.ts';
import { rich } from '../../ui/rich.tsx';
import { FileButton } from '../../fields/FileButton.tsx';
import { Tick } from '../../fields/Tick.tsx';

const worker = (): Worker => new Worker(new URL('../../../workers/bundle.ts', import.meta.url), { type: 'module' });

/** Everything, or what is chosen, in one file; and such a file taken in again, after it was seen what that would do. */
export function Bundles({ chosen, close }: { chosen: readonly string[]; close: () => void }): ReactElement {
  const [said, setSaid] = useState('');
  const [incoming, setIncoming] = useState<Looked | null>(null);
  const [bundler] = useState(() => openWorker<Bundler>(worker()));
  useEffect(() => bundler.end, [bundler]);
  const since = useLiveQuery(() => Promise.all([lastBundle(), changedSinceBundle()]));
  const store = useStore() as Store;
  const save = async (ids: readonly string[] | null): Promise<void> => {
    setSaid(t('Packing …'));
    const now = new Date();
    const packed = await bundler.ask((one) => one.save(ids, now.getTime()));
    saveFile(`refenestra-${now.toISOString().slice(0, 10)}.zip`, packed, 'application/zip');
    setSaid(t('The backup is saved.'));
    // A store without room cannot note it, and that is when a bundle is needed most.
    if (ids === null) await noteBundle(now.getTime()).catch(() => undefined);
  };
  const readBundle = async (file: File): Promise<void> => {
    setIncoming(null);
    setSaid(t('Looking into the backup …'));
    const bytes = new Uint8Array(await file.arrayBuffer());
    const looked = await bundler.ask((one) => one.look(transfer(bytes, [bytes.buffer])));
    if (looked.refusal) setSaid(t('{refusal} Nothing was imported.', { refusal: sayBundleRefusal(looked.refusal) }));
    else {
      setIncoming(looked);
      setSaid('');
    }
  };
  const take = async (otherwise: ReadonlySet<string>, count: number): Promise<void> => {
    if (!incoming) return;
    setSaid(t('Importing …'));
    await bundler.ask((one) => one.take([...otherwise]));
    await readTheme(store);
    setIncoming(null);
    setSaid(t('{count, plural, one {# thing is} other {# things are}} imported.', { count }));
  };
  const told = (work: Promise<void>): void => void work.catch((error: unknown) => setSaid(sayStorageTrouble(isFull(error))));
  return (
    <DialogFrame title={t('Backup')} close={close} wide>
      <p className="text-quiet">
        {t(
          'A backup is one file with all that is kept: embeds with their versions, pictures and play-throughs, sites, house styles, host cards, running orders and your own choices.',
        )}{' '}
        {since &&
          (since[0] === 0
            ? t('None was saved yet.')
            : t('The last was saved on {date}; {count} changed since.', { date: showDay(since[0]), count: since[1] }))}
      </p>
      <div className="line mt-3">
        <Button variant="contained" onClick={() => told(save(null))}>
          {t('Save everything')}
        </Button>
        {chosen.length > 0 && (
          <Button variant="outlined" onClick={() => told(save(chosen))}>
            {t('Save the {chosen} chosen', { chosen: chosen.length })}
          </Button>
        )}
        <FileButton
          words={t('Bring a backup in')}
          accept=".zip,application/zip"
          variant="outlined"
          give={([file]) => told(readBundle(file!))}
        />
      </div>
      <p role="status">{said}</p>
      {incoming && <Incoming looked={incoming} take={(otherwise, count) => told(take(otherwise, count))} />}
      <Room />
    </DialogFrame>
  );
}

const WHAT = { add: t('new here'), change: t('differs'), keep: t('the same') } as const;
const PARTS = {
  embeds: t('embed'),
  sites: t('site'),
  styles: t('house style'),
  cards: t('host card'),
  orders: t('running order'),
  preferences: t('choice of yours'),
} as const;
const NAMES: Readonly<Record<string, string>> = {
  theme: t('Light or dark theme'),
  providers: t('List of oEmbed providers'),
  searches: t('Saved searches'),
};

interface IncomingProps {
  looked: Looked;
  /** Takes what is proposed, but for the keys of what was chosen otherwise; so many things in all. */
  take: (otherwise: ReadonlySet<string>, count: number) => void;
}

/** What the bundle would do, thing by thing, before it does it. */
function Incoming({ looked: { counts, damaged, proposed, shown }, take }: IncomingProps): ReactElement {
  const [otherwise, setOtherwise] = useState<ReadonlySet<string>>(new Set());
  const isChosen = (step: Looked['shown'][number]): boolean => step.proposed !== otherwise.has(stepKey(step));
  const chosen = proposed + shown.reduce((sum, step) => sum + Number(isChosen(step)) - Number(step.proposed), 0);
  const open = counts.add + counts.change;
  return (
    <section aria-label={t('What the backup would do')}>
      {damaged.length > 0 && (
        <p role="alert">
          <strong>{t('This backup is incomplete.')}</strong> {sayDamaged(damaged)}
        </p>
      )}
      <p>
        {rich(
          '<b>{added}</b> new here, <b>{changed}</b> differ, <b>{kept}</b> are the same and stay. An embed that is replaced stays as a version.',
          { b: (inside) => <strong>{inside}</strong>, added: counts.add, changed: counts.change, kept: counts.keep },
        )}
      </p>
      <ul className="mb-3 max-h-[40vh] overflow-y-auto border-t border-hair">
        {shown.map((step) => (
          <li key={stepKey(step)} className="grid min-h-7 grid-cols-[minmax(0,1fr)_auto] items-center gap-3 border-b border-hair">
            <Tick
              label={step.part === 'preferences' ? NAMES[step.name] : step.name}
              on={isChosen(step)}
              set={() => setOtherwise(toggled(otherwise, [stepKey(step)]))}
            />
            <small>
              {PARTS[step.part]}, {WHAT[step.what]}
              {step.newer !== undefined && (step.newer ? t('; the one in the backup is newer') : t('; the one here is newer'))}
            </small>
          </li>
        ))}
      </ul>
      {open > shown.length && <p className="text-quiet">{t('And {count} more.', { count: open - shown.length })}</p>}
      <Button variant="contained" disabled={chosen === 0} onClick={() => take(otherwise, chosen)}>
        {open === 0 ? t('Nothing to import') : t('Import {chosen}', { chosen })}
      </Button>
    </section>
  );
}

// Async, so that a browser without a storage manager rejects, and does not throw.
const roomOf = async (): Promise<{ usage: number; quota: number; kept: boolean }> => {
  const [{ usage = 0, quota = 0 }, kept] = await Promise.all([navigator.storage.estimate(), navigator.storage.persisted()]);
  return { usage, quota, kept };
};

/** How much is used of the room that the browser gives, and whether it promises to keep it. */
function Room(): ReactElement | null {
  const [room, setRoom] = useState<{ usage: number; quota: number; kept: boolean } | null>(null);
  useEffect(() => {
    void roomOf()
      .then(setRoom)
      .catch(() => undefined);
  }, []);
  if (!room) return null;
  const mega = (bytes: number): string => showNumber(bytes / 1e6, { maximumFractionDigits: bytes < 1e7 ? 1 : 0 });
  return (
    <p className="text-quiet">
      {room.kept
        ? t('{usage} MB of {quota} MB are used. The browser has promised to keep it.', {
            usage: mega(room.usage),
            quota: mega(room.quota),
          })
        : t(
            '{usage} MB of {quota} MB are used. The browser may clear it when the disk gets full, so save a backup now and then.',
            { usage: mega(room.usage), quota: mega(room.quota) },
          )}
    </p>
  );
}
