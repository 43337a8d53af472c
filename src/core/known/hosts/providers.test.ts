import fc from 'fast-check';
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
  // A host name that stands in the path, the query or before an at sign is not the host.
  ['https://other.example/www.quay.example/f/1/view', false],
  ['https://other.example?a.quay.example/f/1/view', false],
  ['https://other.example#.quay.example/f/1/view', false],
  ['https://quay.example.other.example/f/1', false],
])('%s', (link, known) => {
  expect(endpointFor(link, providers)).toBe(known ? 'https://quay.example/oembed.json' : undefined);
});

test('whatever stands for a star, the link follows; with another end of the host name it does not', () => {
  const piece = fc.stringMatching(/^[a-z0-9.-]{0,6}$/);
  const path = fc.string({ unit: fc.constantFrom('a', '/', '?', '=', '.', '*', 'é'), maxLength: 8 });
  fc.assert(
    fc.property(piece, path, path, fc.constantFrom('quay.example', 'mill.quay.example'), (host, one, two, end) => {
      const [provider] = providersSchema.parse([
        {
          provider_name: 'Q',
          provider_url: '',
          endpoints: [{ schemes: [`https://*.${end}/f/*/v/*`], url: 'https://q.example' }],
        },
      ]);
      const at = (address: string) => endpointFor(address, [provider!]);
      expect(at(`https://${host}.${end}/f/${one}/v/${two}`)).toBe('https://q.example');
      expect(at(`https://${host}.${end}.other/f/${one}/v/${two}`)).toBeUndefined();
      expect(at(`https://other/${host}.${end}/f/${one}/v/${two}`)).toBeUndefined();
    }),
  );
});

test('no scheme makes it slow', () => {
  const endless = [
    { provider_name: 'E', provider_url: '', endpoints: [{ schemes: ['*a'.repeat(190)], url: 'https://e.example' }] },
  ];
  expect(endpointFor('a'.repeat(200_000), endless)).toBe('https://e.example');
});
