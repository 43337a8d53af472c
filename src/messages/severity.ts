import type { Severity } from '../core/steps/check/finding.ts';

/** How serious a finding is, in words. */
export const SEVERITY_WORDS: Readonly<Record<Severity, string>> = {
  error: 'Error',
  warning: 'Warning',
  note: 'Note',
};
