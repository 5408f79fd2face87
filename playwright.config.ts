import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e',
  // nothing waits for a time: these end a test that will never pass, on a machine many times slower too
  timeout: 300_000,
  expect: { timeout: 90_000 },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  globalSetup: './e2e/database.ts',
  use: {
    // requests that a service worker answers are not seen by tests; those of working offline allow it
    serviceWorkers: 'block',
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
