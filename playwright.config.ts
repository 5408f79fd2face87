import { defineConfig } from '@playwright/test';

/** How many times slower than usual this machine is: waits for a state last that much longer before they give up. */
const SLOWER = Number(process.env['SLOW'] ?? 1);

export default defineConfig({
  testDir: 'e2e',
  timeout: 120_000 * SLOWER,
  expect: { timeout: 15_000 * SLOWER },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  globalSetup: './e2e/database.ts',
  use: {
    viewport: { width: 390, height: 844 },
    timezoneId: 'Europe/Vienna',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
});
