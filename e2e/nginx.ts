import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { waitFor } from './driver.ts';

const CONFIG = join(import.meta.dirname, '../deploy/nginx.conf');

interface Names {
  /** Names in place of those of the shipped configuration. */
  application: string;
  preview: string;
  /** Where nginx listens, by TLS and without, and where the server does. */
  tls: number;
  plain: number;
  server: number;
}

/** Debian's nginx with the configuration that ships, under other names and ports, with a certificate made on the spot. */
export async function startNginx({ application, preview, tls, plain, server }: Names): Promise<{ stop: () => Promise<void> }> {
  const folder = mkdtempSync(join(tmpdir(), 'nginx-'));
  const [key, certificate] = [join(folder, 'key.pem'), join(folder, 'certificate.pem')];
  const names = [application, `*.${application}`, preview].map((name) => `DNS:${name}`).join(',');
  spawnSync('openssl', [
    ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', `/CN=${application}`],
    ...['-addext', `subjectAltName=${names}`, '-keyout', key, '-out', certificate],
  ]);
  const shipped = readFileSync(CONFIG, 'utf8')
    .replaceAll('embeds-preview.example', preview)
    .replaceAll('embeds.example', application)
    .replace('listen 443 ssl', `listen 127.0.0.1:${tls} ssl`)
    .replace('listen 80;', `listen 127.0.0.1:${plain};`)
    .replace('127.0.0.1:4600', `127.0.0.1:${server}`)
    .replace('/etc/ssl/refenestra/fullchain.pem', certificate)
    .replace('/etc/ssl/refenestra/key.pem', key);
  writeFileSync(join(folder, 'refenestra.conf'), shipped);
  const own = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((kind) => `${kind}_temp_path ${folder}/${kind};`);
  const whole = `daemon off; user root; pid ${folder}/pid; error_log ${folder}/error.log; events {}\nhttp { access_log off; ${own.join(' ')} include ${folder}/refenestra.conf; }\n`;
  writeFileSync(join(folder, 'nginx.conf'), whole);
  const nginx = spawn('nginx', ['-p', folder, '-c', join(folder, 'nginx.conf')], { stdio: 'inherit' });
  await waitFor('nginx', () => answers(tls), 10_000);
  return {
    stop: async () => {
      const closed = once(nginx, 'close');
      nginx.kill('SIGTERM');
      await closed;
      rmSync(folder, { recursive: true });
    },
  };
}

const answers = (port: number): Promise<boolean> =>
  new Promise((done) => {
    const socket = connect(port, '127.0.0.1')
      .once('connect', () => done(true))
      .once('error', () => done(false));
    socket.once('connect', () => socket.destroy());
  });
