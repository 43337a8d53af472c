import { expect, test } from 'vitest';
import { parseValue } from '../core/model/values.ts';
import { SETTINGS } from '../core/known/settings/list.ts';
import { FORMS } from '../core/steps/write/forms/list.ts';
import { sayFix, sayOption, saySetting, sayWrongValue } from './settings.ts';
import { sayState } from './plan.ts';

test('every setting has a phrase for each of its values, none of them the bare value', () => {
  for (const { id, value } of SETTINGS) {
    const values = value.type === 'switch' ? ['on', 'off'] : value.type === 'choice' ? value.options : [];
    const phrases = [saySetting(id, undefined), ...values.map((v) => saySetting(id, v))];
    for (const phrase of phrases) expect(phrase).toMatch(/[a-z]{2}.*[a-z]/);
    for (const option of value.type === 'choice' ? value.options : []) expect(sayOption(id, option)).not.toBe(option);
  }
});

test('a wrong value is answered with what would be right, and that is right', () => {
  for (const { id, value } of SETTINGS) {
    const sentence = sayWrongValue(id, 'x'.repeat(400));
    expect(sentence.length).toBeLessThan(200);
    const example = /such as ([^ ,]+)|^\S+ takes (\w+) or/.exec(sentence)?.slice(1).find(Boolean);
    if (example) expect(parseValue(value, example.replace(/[,.]$/, '')), sentence).toBeDefined();
  }
});

test('states and fixes are told with what is sent', () => {
  const sent = [{ in: 'query', name: 'after', value: 'own' }] as const;
  const reason = { code: 'nearest', value: 'same', since: '2024-11-18', note: 'Withdrawn.' } as const;
  expect(sayState({ setting: 'related', asked: 'none', state: 'in part', reason, sent })).toBe(
    'in part, sent as after=own. Withdrawn. (since 2024-11-18)',
  );
  const moved = [{ in: 'origin', name: 'domain', value: 'reduced' }] as const;
  expect(sayState({ setting: 'tracking', asked: 'reduced', state: 'sent', reason: { code: 'sent' }, sent: moved })).toBe(
    'sent as the reduced domain. The host does this.',
  );
  expect(sayFix({ start: 5, end: null })).toBe('Begins at 0:05, drop end time');
});

test('every form of code says what it is for', () => {
  for (const { label, help } of FORMS) expect([label.length > 2, help.endsWith('.')]).toEqual([true, true]);
});
