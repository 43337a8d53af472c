import { join } from 'node:path';
import { build } from 'vite';

/** The script of `src/player` in one piece, as small as it gets; nothing in it can end a script element. */
export async function playerScript(): Promise<string> {
  const made = await build({
    configFile: false,
    logLevel: 'silent',
    build: {
      write: false,
      target: 'es2022',
      minify: true,
      lib: { entry: join(import.meta.dirname, '../src/player/main.ts'), formats: ['iife'], name: 'player' },
    },
  });
  const [output] = [made].flat();
  if (!output || !('output' in output)) throw new Error('the player was not made');
  return output.output[0].code.trim().replaceAll('</', '<\\/');
}
