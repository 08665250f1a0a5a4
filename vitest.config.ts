import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const shared = {
  globalSetup: ['scripts/vitest-global.ts'],
  setupFiles: ['scripts/vitest-setup.ts'],
  // A database test waits for a real disk, a property test for hundreds of solves on a slow machine.
  testTimeout: 120_000,
  execArgv: ['--max-semi-space-size=64'],
};

/** What holds no state between calls and stubs nothing: its files share what they import, which would take a second and a half each. */
const PURE = ['src/core/**', 'src/testing/**', 'src/ui/{bench,diary,drawing,floor,round,stages}/**'];

/** What opens the workshop of its process, or puts things into the lists of the core: each of these has a process of its own. */
const ALONE = [
  'src/server/*.test.ts',
  'src/server/{api,bench,entrance,store}/*.test.ts',
  'src/server/planning/unsound.test.ts',
  'src/ui/made-up/*.test.tsx',
  'src/data/torture/*.test.ts',
];

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    // What was transformed once is read from the disk: one file's tests begin in three seconds instead of eight.
    experimental: { fsModuleCache: true },
    // By itself it leaves one core free: of two that is half of them.
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        test: { ...shared, name: 'pure', include: PURE.map((folder) => `${folder}/*.test.{ts,tsx}`), isolate: false },
      },
      {
        extends: true,
        test: {
          ...shared,
          name: 'around',
          include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'cli/**/*.test.ts', 'demo/**/*.test.ts'],
          exclude: [...PURE, ...ALONE],
          isolate: false,
        },
      },
      { extends: true, test: { ...shared, name: 'alone', include: ALONE } },
    ],
  },
});
