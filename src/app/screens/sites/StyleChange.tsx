import { Button } from '@mui/material';
import { useEffect, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { Site } from '../../../core/model/site.ts';
import type { Made } from '../../../core/keeping/shelf/record.ts';
import { restyled, type Restyled } from '../../../core/keeping/shelf/restyle.ts';
import { saySetting } from '../../../messages/settings.ts';
import { remakeIn } from '../../state/remake.ts';
import { selectStyles } from '../../state/selectors.ts';
import type { Store } from '../../state/store.ts';
import { listEmbeds, replaceWorks } from '../../storage/embeds.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { t } from '../../../messages/t.ts';
import { Tick } from '../../fields/Tick.tsx';

/** Embeds that are made anew between two looks at the screen. */
const AT_ONCE = 20;
/** More rows than a person would read one by one. */
const SHOWN = 300;

type Would = Restyled & { made: Made };

/** Which saved embeds a house style would change, and how; it is applied to those that are chosen. */
export function StyleChange({ site, close }: { site: Site; close: () => void }): ReactElement {
  const store = useStore() as Store;
  const [would, setWould] = useState<Would[] | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [said, setSaid] = useState('');
  useEffect(() => {
    let current = true;
    void lookThrough(store, site, () => current).then((found) => {
      if (!current) return;
      setWould(found);
      setChosen(new Set(found.map(({ embed }) => embed.id)));
    });
    return () => {
      current = false;
    };
  }, [store, site]);
  const apply = async (): Promise<void> => {
    const wanted = would!.filter(({ embed }) => chosen.has(embed.id));
    await replaceWorks(
      wanted.map(({ made }) => made),
      Date.now(),
    );
    setWould(would!.filter(({ embed }) => !chosen.has(embed.id)));
    setChosen(new Set());
    setSaid(
      t('{count, plural, one {# embed follows} other {# embeds follow}} the house style now. Their pages need the new code.', {
        count: wanted.length,
      }),
    );
  };
  return (
    <DialogFrame
      title={t('What the house style of {site} would change', { site: site.name })}
      close={close}
      wide
      actions={
        <Button variant="contained" disabled={chosen.size === 0} onClick={() => void apply()}>
          {chosen.size === 1 ? t('Apply to this one') : t('Apply to these {chosen}', { chosen: chosen.size })}
        </Button>
      }
    >
      {would === null && <p role="status">{t('Looking through the Shelf …')}</p>}
      {would?.length === 0 && said === '' && <p>{t('Every saved embed for this site follows it already.')}</p>}
      <ul className="[&_del]:text-quiet [&_ins]:font-semibold [&_ins]:no-underline">
        {would?.slice(0, SHOWN).map(({ embed, settings }) => (
          <li key={embed.id} className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-3 border-b border-hair py-1.5">
            <Tick
              label={embed.title}
              on={chosen.has(embed.id)}
              set={(on) => setChosen(new Set(on ? [...chosen, embed.id] : [...chosen].filter((id) => id !== embed.id)))}
            />
            <ul>
              {settings.map(({ setting, before, after }) => (
                <li key={setting}>
                  <del>{before === undefined ? t('the host’s default') : saySetting(setting, before)}</del>{' '}
                  <ins>{after === undefined ? t('the host’s default') : saySetting(setting, after)}</ins>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
      {would && would.length > SHOWN && (
        <p className="text-quiet">{t('And {count} more, which are chosen too.', { count: would.length - SHOWN })}</p>
      )}
      <p role="status">{said}</p>
    </DialogFrame>
  );
}

/** Looks through the Shelf in small steps, so that the screen stays free. */
async function lookThrough(store: Store, site: Site, goesOn: () => boolean): Promise<Would[]> {
  const state = store.getState();
  const style = selectStyles(state)[site.id];
  const all = (await listEmbeds()).filter(({ work }) => work.site === site.id);
  const found: Would[] = [];
  for (let at = 0; at < all.length && goesOn(); at += AT_ONCE) {
    for (const embed of all.slice(at, at + AT_ONCE)) {
      const change = restyled(embed, style);
      if (!change) continue;
      const made = remakeIn(state, embed, change.work);
      if (made.code !== embed.code) found.push({ ...change, made });
    }
    await new Promise((done) => setTimeout(done, 0));
  }
  return found;
}
