import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { NavLink, useNavigate, useParams } from 'react-router';
import { learnSite } from '../../../core/known/sites/learnt.ts';
import { selectGiven } from '../../state/answers.ts';
import { readSiteFile } from '../../state/imports.ts';
import { keepSite } from '../../state/ownSites.ts';
import { selectSites } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import type { NamedText } from '../../ui/files.ts';
import { measureSite } from './measureSite.ts';
import { SiteEditor } from './SiteEditor.tsx';
import { sayLearnt } from '../../../messages/sites.ts';
import { t } from '../../../messages/t.ts';

const newId = (): string => `site-${Date.now().toString(36)}`;

/** The destinations: how wide their column is, what they look like, and what their editors keep of pasted code. */
export function Sites(): ReactElement {
  const { id } = useParams();
  const store = useStore() as Store;
  const navigate = useNavigate();
  const sites = useAppSelector(selectSites);
  const team = useAppSelector((state) => selectGiven(state).team.sites);
  const own = new Set(useAppSelector((state) => state.world.ownSites).map((one) => one.id));
  const [wrong, setWrong] = useState<string | null>(null);
  const [learnt, setLearnt] = useState<{ id: string; words: string } | null>(null);
  const site = sites.find((one) => one.id === id) ?? (id === undefined ? sites[0] : undefined);
  const bringIn = async ([file]: NamedText[]): Promise<void> => {
    const read = readSiteFile(file!.text);
    setWrong('wrong' in read ? read.wrong : null);
    if ('wrong' in read) return;
    await keepSite(store, read.site);
    void navigate(`/sites/${read.site.id}`);
  };
  const another = async (): Promise<void> => {
    const from = site ?? sites[0];
    if (!from) return;
    const number = sites.filter((one) => one.id.startsWith('site-')).length + 1;
    const made = { ...from, id: newId(), name: t('New site {number}', { number }) };
    await keepSite(store, made);
    void navigate(`/sites/${made.id}`);
  };
  const learn = async (files: NamedText[]): Promise<void> => {
    const like = site ?? sites[0];
    const page = files.find(({ name }) => /\.html?$/i.test(name));
    if (!like) return;
    if (!page) return setWrong(t('There is no page among these files. Save a page of the site, and choose its .html file.'));
    const sheets = files.filter(({ name }) => /\.css$/i.test(name)).map(({ text }) => text);
    const found = learnSite(await measureSite(page.text, sheets), like, newId());
    if ('wrong' in found)
      return setWrong(t('There is no text on this page, so its column cannot be measured. Save a page with a few paragraphs.'));
    setWrong(null);
    setLearnt({ id: found.site.id, words: sayLearnt(found.unsaid, like.name) });
    await keepSite(store, found.site);
    void navigate(`/sites/${found.site.id}`);
  };
  return (
    <div className="sites grid min-h-[100vh] grid-cols-[240px_minmax(0,1fr)] max-tablet:grid-cols-[minmax(0,1fr)]">
      <nav className="side-list" aria-label={t('Sites')}>
        <h1>{t('Sites')}</h1>
        <ul>
          {sites.map(({ id: siteId, name, column }) => (
            <li key={siteId}>
              <NavLink to={`/sites/${siteId}`}>
                {name}{' '}
                <small>
                  {column} px
                  {team.includes(siteId) && !own.has(siteId) && t(', the team’s')}
                </small>
              </NavLink>
            </li>
          ))}
        </ul>
        <Button variant="outlined" disabled={sites.length === 0} onClick={() => void another()}>
          {t('New site, like this one')}
        </Button>
        <TextFileButton words={t('Bring a site in')} accept=".json,application/json" give={bringIn} />
        <TextFileButton
          words={t('Learn a site from a saved page')}
          multiple
          accept=".html,.htm,.css,text/html,text/css"
          disabled={sites.length === 0}
          give={learn}
        />
        <p className="text-quiet">{t('Choose the page and its style sheets together; nothing in them is run.')}</p>
        <p role="status" className={wrong === null ? 'text-quiet' : 'wrong'}>
          {wrong ?? (learnt?.id === site?.id && learnt?.words)}
        </p>
      </nav>
      {site ? (
        <SiteEditor key={site.id} site={site} />
      ) : (
        sites.length > 0 && <p className="text-quiet">{t('No site has the id “{id}”.', { id })}</p>
      )}
    </div>
  );
}
