import './sites.css';
import { Button } from '@mui/material';
import { useState, type ChangeEvent, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { NavLink, useNavigate, useParams } from 'react-router';
import { keepSite, readSiteFile } from '../../state/ownSites.ts';
import { selectSites } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { readFiles } from '../../ui/files.ts';
import { SiteEditor } from './SiteEditor.tsx';

/** The destinations: how wide their column is, what they look like, and what their editors keep of pasted code. */
export function Sites(): ReactElement {
  const { id } = useParams();
  const store = useStore() as Store;
  const navigate = useNavigate();
  const sites = useAppSelector(selectSites);
  const [wrong, setWrong] = useState<string | null>(null);
  const site = sites.find((one) => one.id === id) ?? (id === undefined ? sites[0] : undefined);
  const bringIn = async (event: ChangeEvent<HTMLInputElement>): Promise<void> => {
    const [file] = await readFiles(event.target);
    if (!file) return;
    const read = readSiteFile(file.text);
    setWrong('wrong' in read ? read.wrong : null);
    if ('wrong' in read) return;
    await keepSite(store, read.site);
    void navigate(`/sites/${read.site.id}`);
  };
  const another = async (): Promise<void> => {
    const from = site ?? sites[0];
    if (!from) return;
    const number = sites.filter((one) => one.id.startsWith('site-')).length + 1;
    const made = { ...from, id: `site-${number}-${Date.now().toString(36)}`, name: `New site ${number}` };
    await keepSite(store, made);
    void navigate(`/sites/${made.id}`);
  };
  return (
    <div className="sites">
      <nav className="sites-list" aria-label="Sites">
        <h1>Sites</h1>
        <ul>
          {sites.map(({ id: siteId, name, column }) => (
            <li key={siteId}>
              <NavLink to={`/sites/${siteId}`}>
                {name} <small>{column} px</small>
              </NavLink>
            </li>
          ))}
        </ul>
        <Button variant="outlined" disabled={sites.length === 0} onClick={() => void another()}>
          New site, like this one
        </Button>
        <Button component="label" role={undefined}>
          Bring a site in
          <input type="file" accept=".json,application/json" className="hidden-words" onChange={(event) => void bringIn(event)} />
        </Button>
        <p role="status" className="wrong">
          {wrong}
        </p>
      </nav>
      {site ? (
        <SiteEditor key={JSON.stringify(site)} site={site} />
      ) : (
        sites.length > 0 && <p className="quiet">No site has the id “{id}”.</p>
      )}
    </div>
  );
}
