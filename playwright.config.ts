import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/chromium.mjs';
import { FIRST_PORT, WORKSHOPS } from './scripts/e2e-ports.mjs';

export default defineConfig({
  testDir: 'e2e',
  // A file at a time in each: its tests share a workshop, files of two workers do not.
  workers: WORKSHOPS,
  timeout: 240_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  outputDir: 'test-results/e2e',
  // Pictures of states, beside the tests that look at them.
  snapshotPathTemplate: '{testDir}/pictures/{arg}{ext}',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
  webServer: Array.from({ length: WORKSHOPS }, (_, k) => {
    const [port, data] = [FIRST_PORT + k, `test-results/data-${k + 1}`];
    return {
      command: `rm -rf ${data} && exec node scripts/serve.mjs --port ${port}`,
      url: `http://127.0.0.1:${port}/schema/piece.json`,
      env: { FOVEA_DATA: data, NEXT_TELEMETRY_DISABLED: '1' },
      timeout: 60_000,
    };
  }),
});
