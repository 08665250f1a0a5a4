import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const shared = {
  globalSetup: ['scripts/vitest-global.ts'],
  setupFiles: ['scripts/vitest-setup.ts'],
  // A database test waits for a real disk, a property test for hundreds of solves on a slow machine.
  testTimeout: 120_000,
};

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    // By itself it leaves one core free: of two that is half of them.
    maxWorkers: '100%',
    projects: [
      // The core holds no state between calls: its files share what they import, which would take a second and a half each.
      { extends: true, test: { ...shared, name: 'core', include: ['src/core/**/*.test.ts'], isolate: false } },
      {
        extends: true,
        test: {
          ...shared,
          name: 'around',
          include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'cli/**/*.test.ts', 'demo/**/*.test.ts'],
          exclude: ['src/core/**'],
        },
      },
    ],
  },
});
