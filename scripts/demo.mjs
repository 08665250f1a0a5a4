// npm run demo: installs what is missing, builds, lays out the demo workshop in an empty database, serves.
import { spawn } from 'node:child_process';
import { ensurePackages, run } from './ensure.mjs';

const port = process.env.PORT ?? '3000';
ensurePackages();
// What builds is a package itself: it is loaded once it is there.
const { ensureBuilt } = await import('./build.mjs');
await ensureBuilt();
run('npx', ['tsx', 'demo/seed.ts']);
const server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', port], {
  stdio: 'inherit',
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
