import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/chromium.mjs';

const port = 3907;

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  timeout: 150_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  outputDir: 'test-results/e2e',
  // Pictures of states, beside the tests that look at them.
  snapshotPathTemplate: '{testDir}/pictures/{arg}{ext}',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
  webServer: {
    command: `rm -rf test-results/data && exec node scripts/serve.mjs --port ${port}`,
    url: `http://127.0.0.1:${port}/schema/piece.json`,
    env: { FOVEA_DATA: 'test-results/data', NEXT_TELEMETRY_DISABLED: '1' },
    timeout: 60_000,
  },
});
