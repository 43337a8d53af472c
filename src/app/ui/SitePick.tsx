import type { ReactElement } from 'react';
import { selectSites } from '../state/selectors.ts';
import { useAppSelector } from '../state/store.ts';
import { t } from '../../messages/t.ts';
import { ChoiceField } from '../fields/ChoiceField.tsx';

interface Props {
  /** Id of the chosen site; the first one where it is empty. */
  site: string;
  choose: (id: string) => void;
}

/** For which site something is made. */
export function SitePick({ site, choose }: Props): ReactElement {
  const sites = useAppSelector(selectSites);
  return (
    <ChoiceField
      label={t('For the site')}
      value={site || (sites[0]?.id ?? '')}
      options={sites.map(({ id, name }) => [id, name])}
      set={choose}
    />
  );
}
