import { diffWordsWithSpace } from 'diff';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { SavedEmbed, Version } from '../../../core/keeping/shelf/saved.ts';
import { remakeIn } from '../../state/remake.ts';
import type { State, Store } from '../../state/store.ts';
import { listVersions, replaceWorks } from '../../storage/embeds.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { showMoment, t } from '../../../messages/t.ts';

const goBack = (state: State, embed: SavedEmbed, { work }: Version): Promise<void> =>
  replaceWorks([remakeIn(state, embed, { ...work, id: embed.id })], Date.now());

/** The codes that were taken of an embed: compared with what it is now, and gone back to. */
export function Versions({ embed }: { embed: SavedEmbed }): ReactElement {
  const versions = useLiveQuery(() => listVersions(embed.id), [embed.id]) ?? [];
  const [beside, setBeside] = useState<Version | null>(null);
  const store = useStore() as Store;
  if (versions.length === 0) return <p className="text-quiet">{t('The code was not copied yet.')}</p>;
  return (
    <>
      <ul className="detail-list">
        {versions.map((version) => (
          <li key={version.id}>
            <span>{showMoment(version.taken)}</span>
            {version.code === embed.code ? (
              <small>{t('as it is now')}</small>
            ) : (
              <>
                <button type="button" className="inline-remedy" onClick={() => setBeside(version)}>
                  {t('Compare')}
                </button>
                <button type="button" className="inline-remedy" onClick={() => void goBack(store.getState(), embed, version)}>
                  {t('Go back to it')}
                </button>
              </>
            )}
          </li>
        ))}
      </ul>
      {beside && (
        <DialogFrame
          title={t('Copied on {taken}, and now', { taken: showMoment(beside.taken) })}
          close={() => setBeside(null)}
          wide
        >
          <pre className="code-difference" tabIndex={0}>
            {diffWordsWithSpace(beside.code, embed.code).map(({ value, added, removed }, i) =>
              added ? <ins key={i}>{value}</ins> : removed ? <del key={i}>{value}</del> : <span key={i}>{value}</span>,
            )}
          </pre>
        </DialogFrame>
      )}
    </>
  );
}
