// npm run demo: installs what is missing, builds, lays out the demo workshop in an empty database, serves.
import { spawn } from 'node:child_process';
import { ensurePackages, run } from './ensure.mjs';

const port = process.env.PORT ?? '3000';
ensurePackages();
// What builds is a package itself: it is loaded once it is there.
const { ensureBuilt } = await import('./build.mjs');
await ensureBuilt();
run('npx', ['tsx', 'demo/seed.ts']);
const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', port, ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
