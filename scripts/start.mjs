/** npm start and npm run demo: everything from a fresh machine to a served app. */
import { spawn } from 'node:child_process';
import { ensureBuild, ensurePackages, root, say } from './prepare-machine.mjs';

const isDemo = process.argv.includes('--demo');
ensurePackages();
ensureBuild();
say(isDemo ? 'Starting with the demo data of the Skerrow ferry hall …' : 'Starting …');
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', ...process.argv.slice(2)], { cwd: root, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code, signal) => process.exit(code ?? (signal ? 0 : 1)));
