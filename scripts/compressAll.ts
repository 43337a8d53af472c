import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import type { Plugin } from 'vite';

const COMPRESSED = /\.(?:js|css|svg|json)$/;

/** The last step of the build: every asset beside itself in brotli and gzip, as small as they go, so that no request compresses. */
export function compressAll(): Plugin {
  return {
    name: 'compress-all',
    apply: 'build',
    writeBundle({ dir }) {
      const folder = join(dir!, 'assets');
      for (const name of readdirSync(folder).filter((file) => COMPRESSED.test(file))) {
        const bytes = readFileSync(join(folder, name));
        writeFileSync(join(folder, `${name}.gz`), gzipSync(bytes, { level: 9 }));
        writeFileSync(
          join(folder, `${name}.br`),
          brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
        );
      }
    },
  };
}
