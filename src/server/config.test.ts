import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { ConfigError, readConfig, VARIABLE_NAMES } from './config.ts';

const wrong = (env: NodeJS.ProcessEnv): string => {
  try {
    readConfig(env);
    return '';
  } catch (error) {
    expect(error).toBeInstanceOf(ConfigError);
    return (error as Error).message;
  }
};

describe('what the environment says', () => {
  test('nothing: this machine, the sample world, anybody may be asked', () => {
    expect(readConfig({})).toEqual({
      port: 4600,
      watchPort: null,
      host: undefined,
      publicOrigin: 'http://localhost:4600',
      previewOrigin: 'http://preview.localhost:4600',
      trustProxy: 0,
      demo: true,
      ask: 'everybody',
      teamFolder: null,
      redisUrl: null,
      keys: [],
      limit: 300,
      log: 'warn',
    });
  });

  test('all of it', () => {
    expect(
      readConfig({
        PORT: '4711',
        HOST: '0.0.0.0',
        PUBLIC_ORIGIN: 'https://refenestra.test',
        PREVIEW_ORIGIN: 'https://preview-refenestra.test',
        TRUST_PROXY: '127.0.0.1, 10.0.0.0/8',
        DEMO: 'off',
        ASK: 'media.example, *.pictures.example',
        TEAM_FOLDER: 'team',
        REDIS_URL: 'redis://127.0.0.1:6379',
        API_KEYS: 'one,two,',
        LIMIT: '0',
        LOG: 'info',
      }),
    ).toMatchObject({
      publicOrigin: 'https://refenestra.test',
      previewOrigin: 'https://preview-refenestra.test',
      trustProxy: ['127.0.0.1', '10.0.0.0/8'],
      demo: false,
      ask: ['media.example', '*.pictures.example'],
      keys: ['one', 'two'],
      limit: 0,
    });
  });

  test.each([
    [{ PORT: '0' }, 'PORT'],
    [{ PORT: '4600x' }, 'PORT'],
    [{ PUBLIC_ORIGIN: 'refenestra.test' }, 'PUBLIC_ORIGIN'],
    [{ PUBLIC_ORIGIN: 'https://refenestra.test/embeds' }, 'PUBLIC_ORIGIN'],
    [{ PUBLIC_ORIGIN: 'ftp://refenestra.test' }, 'PUBLIC_ORIGIN'],
    [{ PUBLIC_ORIGIN: 'https://refenestra.test' }, 'PREVIEW_ORIGIN is missing'],
    [{ PUBLIC_ORIGIN: 'https://refenestra.test', PREVIEW_ORIGIN: 'https://refenestra.test' }, 'same site'],
    [{ PUBLIC_ORIGIN: 'https://refenestra.test', PREVIEW_ORIGIN: 'https://preview.refenestra.test' }, 'same site'],
    [{ PUBLIC_ORIGIN: 'https://in.refenestra.test', PREVIEW_ORIGIN: 'https://refenestra.test' }, 'same site'],
    [{ PUBLIC_ORIGIN: 'https://refenestra.test', PREVIEW_ORIGIN: 'http://other.test' }, 'scheme'],
    [{ TRUST_PROXY: 'everybody' }, 'TRUST_PROXY'],
    [{ DEMO: 'yes' }, 'DEMO'],
    [{ ASK: ',' }, 'ASK'],
    [{ REDIS_URL: 'http://127.0.0.1' }, 'REDIS_URL'],
    [{ LIMIT: '-1' }, 'LIMIT'],
    [{ LOG: 'loud' }, 'LOG'],
  ])('%j is told in one line', (env, words) => {
    const told = wrong(env);
    expect(told).toContain(words);
    expect(told).not.toContain('\n');
  });

  test('each variable stands in the documentation', () => {
    const documented = readFileSync(join(import.meta.dirname, '../../docs/deploy.md'), 'utf8');
    for (const name of VARIABLE_NAMES) expect(documented).toContain(`| \`${name}\``);
  });

  test('what is empty is not said', () => expect(readConfig({ PORT: '', LOG: '' }).port).toBe(4600));
});
