import { Button } from '@mui/material';
import { useId, type ReactElement } from 'react';
import { t } from '../../../messages/t.ts';

/** A site that is known from before, with its folder where that can be opened again. */
interface KnownSite {
  name: string;
  folder: FileSystemDirectoryHandle | null;
}

interface Props<Site extends KnownSite> {
  title: string;
  words: string;
  sites: readonly Site[] | undefined;
  /** What is said of a site. */
  tell: (site: Site) => string;
  /** Words of the button that opens its folder again. */
  action: string;
  open: (site: Site) => void;
  forget: (site: Site) => Promise<void>;
  disabled: boolean;
}

/** Sites that are opened again by a press, or forgotten. */
export function SitesAgain<Site extends KnownSite>(props: Props<Site>): ReactElement | null {
  const { title, words, sites, tell, action, open, forget, disabled } = props;
  const id = useId();
  if (!sites || sites.length === 0) return null;
  return (
    <section aria-labelledby={id}>
      <h2 id={id}>{title}</h2>
      <p className="text-quiet">{words}</p>
      <ul>
        {sites.map((site) => (
          <li key={site.name}>
            <b>{site.name}</b> <span>{tell(site)}</span>
            {site.folder && (
              <Button size="small" disabled={disabled} onClick={() => open(site)}>
                {action}
              </Button>
            )}
            <Button size="small" onClick={() => void forget(site)}>
              {t('Forget')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
