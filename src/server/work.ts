import express from 'express';
import { createServer } from 'node:http';
import { ConfigError, readConfig } from './config.ts';
import { healthRoutes } from './health.ts';
import { makeLog } from './log.ts';
import { startService } from './service.ts';
import { stopWell } from './stopWell.ts';

/** `npm run work`: works through the jobs of a service, beside others that do the same. */
try {
  const config = readConfig(process.env);
  if (config.redisUrl === null)
    throw new ConfigError('REDIS_URL is missing: jobs are shared out there. Without it a server does its jobs itself.');
  const service = startService(config, makeLog(config), { takes: true });
  const watched = createServer(express().disable('x-powered-by').use(healthRoutes(service)));
  if (config.watchPort !== null) watched.listen(config.watchPort, config.host ?? '127.0.0.1');
  stopWell(async () => {
    service.stopping = true;
    await service.together.stop();
    watched.close();
    watched.closeAllConnections();
  });
  console.log('Refenestra works through jobs.');
} catch (error) {
  if (!(error instanceof ConfigError)) throw error;
  console.error(error.message);
  process.exitCode = 2;
}
