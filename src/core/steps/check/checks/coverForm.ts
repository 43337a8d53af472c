import { defineCheck, NOTHING } from '../rule.ts';

export const coverForm = defineCheck({
  id: 'coverForm',
  severity: 'warning',
  holds: 'The code type can do what is asked of the loading',
  about: 'To load on request needs a cover, which only some code types have.',
  run: ({ settings, plan, code }) => {
    const lacking = plan.entries.some((e) => e.setting === 'load' && e.reason.code === 'formLacks');
    if (settings.load !== 'ask' || !lacking || !code.framed) return NOTHING;
    return [{ place: null, actual: code.form, expected: 'cover', remedy: { by: 'form', form: 'cover' } }];
  },
});
