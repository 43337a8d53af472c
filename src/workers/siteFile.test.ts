import fc from 'fast-check';
import { expect, it } from 'vitest';
import { bytesOf, stampOf, type SiteFile } from './siteFile.ts';

const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);

it('reads the bytes of each file, whether it stands by itself or beside others in one', async () => {
  const words = fc.string({ unit: fc.constantFrom('a', 'b', '\n'), maxLength: 5 });
  await fc.assert(
    fc.asyncProperty(
      fc.array(words, { maxLength: 6 }),
      fc.array(words, { maxLength: 3 }),
      fc.boolean(),
      async (packed, loose, turned) => {
        const archive = new Blob([packed.join('')]);
        let at = 0;
        const files: SiteFile[] = [
          ...packed.map((one, i) => ({ name: `${i}.html`, content: archive, within: [at, (at += one.length)] as const })),
          ...loose.map((one, i) => ({ name: `loose-${i}.html`, content: new Blob([one]) })),
        ];
        const wanted = [...packed, ...loose];
        if (turned) [files, wanted].forEach((some) => some.reverse());
        expect((await bytesOf(files)).map(text)).toEqual(wanted);
      },
    ),
    { numRuns: 100 },
  );
});

it('knows a file again by its size and its day, and one of an archive by the day of that', () => {
  const file = new File(['12345'], 'a.zip', { lastModified: 7 });
  expect(stampOf({ name: 'a.zip', content: file })).toBe('5 7');
  expect(stampOf({ name: 'a.html', content: file, within: [1, 3] })).toBe('2 7');
  expect(stampOf({ name: 'a.html', content: new Blob(['12345']) })).toBeNull();
});
