// npm run fovea: the command line, built once.
import { ensurePackages } from './ensure.mjs';

ensurePackages();
const { ensureTools } = await import('./generate.mjs');
await ensureTools();
await import('../dist/fovea.mjs');
