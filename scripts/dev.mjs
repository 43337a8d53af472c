/** `npm run dev`: builds anew at each change, and restarts the server with it. */
import { spawn } from 'node:child_process';
import { ensureBuild, ensurePackages, root } from './setup.mjs';

ensurePackages();
ensureBuild();
const programs = [
  ['node_modules/vite/bin/vite.js', 'build', '--watch', '--logLevel', 'warn'],
  ['node_modules/tsx/dist/cli.mjs', 'watch', 'src/server/main.ts'],
].map((args) => spawn(process.execPath, args, { stdio: 'inherit', cwd: root }));
const stop = () => programs.forEach((program) => program.kill());
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
programs.forEach((program) => program.on('close', stop));
