/** `npm start`: installs what is missing, builds, and starts the server. Safe to repeat. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, root } from './setup.mjs';

ensurePackages();
ensureBuild();
const server = spawn(process.execPath, ['--import', 'tsx', join(root, 'src/server/main.ts')], { stdio: 'inherit', cwd: root });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('close', (status) => process.exit(status ?? 1));
