import { ConfigError, readConfig } from './config.ts';
import { makeLog } from './log.ts';
import { startService } from './service.ts';
import { stopWell } from './stopWell.ts';

/** `npm run work`: works through the jobs of a service, beside others that do the same. */
try {
  const config = readConfig(process.env);
  if (config.redisUrl === null)
    throw new ConfigError('REDIS_URL is missing: jobs are shared out there. Without it a server does its jobs itself.');
  const service = startService(config, makeLog(config), { takes: true });
  stopWell(() => service.together.stop());
  console.log('Refenestra works through jobs.');
} catch (error) {
  if (!(error instanceof ConfigError)) throw error;
  console.error(error.message);
  process.exitCode = 2;
}
