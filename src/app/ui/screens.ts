import { t } from '../../messages/t.ts';

/** With this behind its address, a screen is shown around. */
export const TOUR = '#tour';

/** The screens, in the order of the navigation. */
export const SCREENS = [
  { path: '/', name: t('Bench'), about: t('one embed: settings, page, code') },
  { path: '/shelf', name: t('Shelf'), about: t('what you have made') },
  { path: '/batch', name: t('Batch'), about: t('many links at once') },
  { path: '/sweep', name: t('Sweep'), about: t('every embed of a site, put right') },
  { path: '/orders', name: t('Orders'), about: t('several items played as one') },
  { path: '/sites', name: t('Sites'), about: t('where embeds go') },
  { path: '/hosts', name: t('Hosts'), about: t('what each host can do') },
  { path: '/connect', name: t('Connect'), about: t('codes for other programs') },
] as const;
