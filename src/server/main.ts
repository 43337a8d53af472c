import { createServer as createHttpServer } from 'node:http';
import { pino } from 'pino';
import { createServer } from './server.ts';
import { WRITTEN_PORT } from '../standins/world.ts';

/**
 * Starts the server: `PORT` for another port, `LOG` for another level of the log, `HOST` for the address to listen on,
 * `API_KEYS` for the keys of programs, with commas between them. Without
 * it the server listens on this machine alone, in both families of addresses.
 */
const port = Number(process.env.PORT ?? WRITTEN_PORT);
const log = pino({ level: process.env.LOG ?? 'warn' });

if (!Number.isInteger(port) || port < 1 || port > 65_535) {
  console.error(`PORT is “${process.env.PORT}”, which is no port. Give a number from 1 to 65535, such as PORT=4700 npm start.`);
  process.exit(2);
}

const keys = (process.env.API_KEYS ?? '').split(',').filter((key) => key !== '');
const app = createServer(port, log, { keys });
const { HOST } = process.env;
const server = createHttpServer(app).listen(port, HOST ?? '127.0.0.1');
// Where this machine has no addresses of the newer family, the older one does.
const second =
  HOST === undefined
    ? createHttpServer(app)
        .listen(port, '::1')
        .on('error', () => undefined)
    : null;
server.on('listening', () => console.log(`Refenestra is at http://localhost:${port}`));
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EADDRINUSE') throw error;
  console.error(`Port ${port} is taken by another program. Stop that one, or choose another port: PORT=${port + 1} npm start`);
  process.exit(1);
});

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    second?.close();
    second?.closeAllConnections();
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
