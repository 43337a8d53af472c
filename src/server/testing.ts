import type { Express } from 'express';
import { pino } from 'pino';
import { readConfig } from './config.ts';
import { createServer } from './server.ts';
import { startService } from './service.ts';

/** A server as the environment says, without a log, for tests. */
export const quietServer = (env: NodeJS.ProcessEnv): Express =>
  createServer(startService(readConfig({ ASK: 'standins', ...env }), pino({ level: 'silent' })));
