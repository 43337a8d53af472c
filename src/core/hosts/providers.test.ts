import { expect, test } from 'vitest';
import { endpointFor, providersSchema } from './providers.ts';

const providers = providersSchema.parse([
  {
    provider_name: 'Quay',
    provider_url: 'https://quay.example',
    endpoints: [
      { schemes: ['https://quay.example/f/*', 'https://*.quay.example/f/*/view'], url: 'https://quay.example/oembed.{format}' },
    ],
  },
]);

test.each([
  ['https://quay.example/f/1', true],
  ['https://www.quay.example/f/1/view', true],
  ['https://www.quay.example/f/1', false],
  ['https://quay.example/g/1', false],
  ['http://quay.example/f/1', false],
])('%s', (link, known) => {
  expect(endpointFor(link, providers)).toBe(known ? 'https://quay.example/oembed.json' : undefined);
});

test('no scheme makes it slow', () => {
  const endless = [
    { provider_name: 'E', provider_url: '', endpoints: [{ schemes: ['*a'.repeat(190)], url: 'https://e.example' }] },
  ];
  expect(endpointFor('a'.repeat(200_000), endless)).toBe('https://e.example');
});
