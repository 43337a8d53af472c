/** The screens, in the order of the navigation. */
export const SCREENS = [
  { path: '/', name: 'Bench', about: 'one embed: settings, page, code' },
  { path: '/shelf', name: 'Shelf', about: 'what you have made' },
  { path: '/batch', name: 'Batch', about: 'many links at once' },
  { path: '/sweep', name: 'Sweep', about: 'every embed of a site, put right' },
  { path: '/orders', name: 'Orders', about: 'several items played as one' },
  { path: '/sites', name: 'Sites', about: 'where embeds go' },
  { path: '/hosts', name: 'Hosts', about: 'what each host can do' },
  { path: '/connect', name: 'Connect', about: 'codes for other programs' },
] as const;
