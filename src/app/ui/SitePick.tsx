import type { ReactElement } from 'react';
import { selectSites } from '../state/selectors.ts';
import { useAppSelector } from '../state/store.ts';
import { t } from '../../messages/t.ts';

interface Props {
  /** Id of the chosen site; the first one where it is empty. */
  site: string;
  choose: (id: string) => void;
}

/** For which site something is made. */
export function SitePick({ site, choose }: Props): ReactElement {
  const sites = useAppSelector(selectSites);
  return (
    <label>
      {t('For the site')}{' '}
      <select value={site || sites[0]?.id} onChange={({ target }) => choose(target.value)}>
        {sites.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
