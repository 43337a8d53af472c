import { t } from '../../messages/t.ts';

/** Keys as they are written on screen: `ctrl + k`. */
export const writeKeys = (keys: string): string =>
  keys === ' '
    ? NAMES.space
    : keys
        .split('+')
        .map((key) => (Object.hasOwn(NAMES, key) ? NAMES[key as keyof typeof NAMES] : key))
        .join(' + ');

const NAMES = { ctrl: t('ctrl'), alt: t('alt'), shift: t('shift'), space: t('space') };
