import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'cli/**/*.test.ts', 'demo/**/*.test.ts'],
    globalSetup: ['scripts/vitest-global.ts'],
    setupFiles: ['scripts/vitest-setup.ts'],
    // A database test waits for a real disk, a property test for hundreds of solves on a slow machine.
    testTimeout: 120_000,
    // By itself it leaves one core free: of two that is half of them.
    maxWorkers: '100%',
  },
});
