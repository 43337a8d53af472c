import { createServer as createHttpServer, type Server } from 'node:http';
import { ConfigError, readConfig, type Config } from './config.ts';
import { makeLog } from './log.ts';
import { createServer } from './server.ts';
import { startService } from './service.ts';
import { stopWell } from './stopWell.ts';

/** Starts the server, as the environment says; `docs/deploy.md` lists the variables. */
const config = configOrEnd();
const log = makeLog(config);
const service = startService(config, log);
const app = createServer(service);
const { port, host, publicOrigin } = config;
const server = createHttpServer(app).listen(port, host ?? '127.0.0.1');
const servers: Server[] = [server];
// Where this machine has no addresses of the newer family, the older one does.
if (host === undefined)
  servers.push(
    createHttpServer(app)
      .listen(port, '::1')
      .on('error', () => undefined),
  );
server.on('listening', () => console.log(`Refenestra is at ${publicOrigin}`));
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EADDRINUSE') throw error;
  console.error(`Port ${port} is taken by another program. Stop that one, or choose another port: PORT=${port + 1} npm start`);
  process.exit(1);
});
stopWell(async () => {
  service.stopping = true;
  await Promise.all(servers.map(endOf));
  await service.together.stop();
});

/** Requests that have begun are answered; connections on which nothing happens are closed. */
function endOf(one: Server): Promise<void> {
  return new Promise((done) => {
    one.close(() => done());
    one.closeIdleConnections();
  });
}

function configOrEnd(): Config {
  try {
    return readConfig(process.env);
  } catch (error) {
    if (!(error instanceof ConfigError)) throw error;
    console.error(error.message);
    process.exit(2);
  }
}
