import fc from 'fast-check';
import { strFromU8, zipSync, type ZipOptions } from 'fflate';
import { describe, expect, it } from 'vitest';
import { runs } from '../../../laws/world.ts';
import { unzip } from './zip.ts';

const all = (): boolean => true;
const filesOf = (zip: Uint8Array): Record<string, string> => {
  const read = unzip(zip, all);
  if ('refusal' in read) throw new Error(read.refusal.code);
  return Object.fromEntries([...read.files].map(([name, bytes]) => [name, strFromU8(bytes)]));
};

const content = fc.uint8Array({ maxLength: 200 });
const packed = fc
  .dictionary(fc.stringMatching(/^[a-z/é.]{1,12}$/), fc.tuple(content, fc.constantFrom(0, 1, 9)), { maxKeys: 8 })
  .map((files) => ({
    files: new Map(Object.entries(files).map(([name, [bytes]]) => [name, bytes])),
    zip: zipSync(
      Object.fromEntries(
        Object.entries(files).map(([name, [bytes, level]]): [string, [Uint8Array, ZipOptions]] => [
          name,
          [bytes, { level: level }],
        ]),
      ),
    ),
  }));

describe('a zip file', () => {
  it('gives back what was packed', () => {
    fc.assert(
      fc.property(packed, ({ files, zip }) => {
        expect(unzip(zip, all)).toEqual({ files, damaged: [] });
      }),
      runs(500),
    );
  });

  it('that is damaged gives what is whole, names the rest, and never gives anything else', () => {
    fc.assert(
      fc.property(
        packed,
        fc.array(fc.tuple(fc.nat(), fc.integer({ min: 1, max: 255 })), { minLength: 1, maxLength: 4 }),
        ({ files, zip }, flips) => {
          const bytes = zip.slice();
          for (const [at, by] of flips) bytes[at % bytes.length]! ^= by;
          const read = unzip(bytes, all);
          if ('refusal' in read) return;
          const before = [...files.values()].map((one) => one.join());
          for (const one of read.files.values()) expect(before).toContain(one.join());
        },
      ),
      runs(1000),
    );
  });

  it('is read in one pass, whichever of its files are damaged', () => {
    const names = Array.from({ length: 3000 }, (_, i) => `${i}.html`);
    const zip = zipSync(Object.fromEntries(names.map((name) => [name, new Uint8Array(40).fill(65)])));
    // The sign of a kind of block that there is not (RFC 1951, section 3.2.3).
    zip[30 + names[0]!.length]! |= 6;
    const read = unzip(zip, all);
    expect(read).toMatchObject({ damaged: ['0.html'] });
    expect('files' in read && read.files.size).toBe(2999);
  });

  it('may have sizes and places of 64 bits', () => {
    const long =
      'UEsDBC0AAAAAAAAAIVzVzGQo//////////8GABQAYS5odG1sAQAQABsAAAAAAAAAGwAAAAAAAABUaGUgcG9uZCBmaWxscyB0d2ljZSBhIGRheS5QSwMELQAACAgAAAAhXIVgKxL//////////wkAFABiL8OpLmh0bWwBABAAPwAAAAAAAAAIAAAAAAAAALMpsKugAAAAUEsBAi0DLQAAAAAAAAAhXNXMZCj//////////wYAFAAAAAAAAAAAAIABAAAAAGEuaHRtbAEAEAAbAAAAAAAAABsAAAAAAAAAUEsBAi0DLQAACAgAAAAhXIVgKxL//////////wkAHAAAAAAAAAAAAIAB/////2Ivw6kuaHRtbAEAGAA/AAAAAAAAAAgAAAAAAAAAUwAAAAAAAABQSwYGLAAAAAAAAAAtAC0AAAAAAAAAAAACAAAAAAAAAAIAAAAAAAAAmwAAAAAAAACWAAAAAAAAAFBLBgcAAAAAMQEAAAAAAAABAAAAUEsFBgAAAAACAAIAmwAAAJYAAAAAAA==';
    const bytes = Uint8Array.from(atob(long), (sign) => sign.charCodeAt(0));
    expect(filesOf(bytes)).toEqual({ 'a.html': 'The pond fills twice a day.', 'b/é.html': `<p>${'x'.repeat(60)}` });
  });
});
