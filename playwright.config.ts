import { defineConfig } from '@playwright/test'

/** The server is started by scripts/test.mjs, which names it in BASE_URL. */
export default defineConfig({
  testDir: 'tests/browser',
  // A machine whose neighbors are busy is ten times slower for a while; no test is about how fast an answer comes.
  timeout: 150_000,
  expect: { timeout: 40_000 },
  workers: 1,
  retries: 0,
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    baseURL: process.env.BASE_URL,
    // Only the test that is about it has the app on the device: elsewhere an answer can be held back.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
