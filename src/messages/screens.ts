import type { Site } from '../core/model/site.ts';
import { t } from './t.ts';

/** The screens that pages are read on. */
export const SCREEN_NAMES: Readonly<Record<keyof Site['breakpoints'], string>> = {
  phone: t('phone'),
  tablet: t('tablet'),
  desktop: t('desktop'),
};
