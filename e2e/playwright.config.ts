import { defineConfig, devices } from '@playwright/test';

const port = process.env['E2E_PORT'] ?? '4399';

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  workers: 3,
  fullyParallel: true,
  timeout: 360_000,
  expect: { timeout: 60_000 },
  forbidOnly: true,
  use: {
    // localhost, not an address: service worker and files need a secure context.
    baseURL: `http://localhost:${port}`,
    // A recording of every step costs a third of the time; `TRACE=1` makes one of what fails.
    trace: process.env['TRACE'] ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
    // The worker that keeps the page for a day without signal fetches all of it anew for each test: only where a test is about that.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      ],
    },
  },
  projects: [
    // Untagged tests run at both sizes; @desk and @phone at theirs.
    { name: 'desk', grepInvert: /@phone/, use: { browserName: 'chromium', viewport: { width: 1280, height: 800 } } },
    {
      name: 'phone',
      grepInvert: /@desk/,
      use: {
        ...devices['iPhone 14'],
        defaultBrowserType: 'chromium',
        browserName: 'chromium',
        viewport: { width: 390, height: 844 },
        // Nine times the points to paint, and none of them asserted.
        deviceScaleFactor: 1,
      },
    },
  ],
  webServer: {
    command: 'node scripts/e2eServer.mjs',
    cwd: '..',
    env: { E2E_PORT: port },
    url: `http://localhost:${port}/api/v1/health`,
    timeout: 120_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 8000 },
  },
});
