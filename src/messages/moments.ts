import type { Moment } from '../core/model/setting.ts';
import { t } from './t.ts';

/** The stations of a visit and the place in the page: their names, and what each is about. */
export const MOMENT_NAMES: Record<Moment, { name: string; words: string }> = {
  arrive: { name: t('Arrive'), words: t('when the page opens') },
  begin: { name: t('Begin'), words: t('when it starts') },
  during: { name: t('During'), words: t('while it runs') },
  end: { name: t('End'), words: t('when it is over') },
  frame: { name: t('Frame'), words: t('how it stands in the page') },
  around: { name: t('Beside it'), words: t('heading, caption and what else belongs to it') },
};
