import type { Severity } from '../core/steps/check/finding.ts';
import { t } from './t.ts';

/** How serious a finding is, in words. */
export const SEVERITY_WORDS: Readonly<Record<Severity, string>> = {
  error: t('Error'),
  warning: t('Warning'),
  note: t('Note'),
};
