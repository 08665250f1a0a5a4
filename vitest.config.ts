import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/**/*.test.ts', 'cli/**/*.test.ts', 'demo/**/*.test.ts'],
    setupFiles: ['scripts/vitest-setup.ts'],
    // A database test waits for a real disk.
    testTimeout: 60_000,
  },
});
