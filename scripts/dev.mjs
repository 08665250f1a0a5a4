// npm run dev: the application as it is worked on.
import { ensurePackages, run } from './ensure.mjs';

ensurePackages();
const { ensureTools } = await import('./generate.mjs');
await ensureTools();
run('npx', ['next', 'dev', '-H', '127.0.0.1']);
