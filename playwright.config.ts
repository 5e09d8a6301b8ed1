import { defineConfig } from '@playwright/test'

/** Browser tests against a built Viga with a database of its own, started by e2e/setup.ts. */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/setup.ts',
  workers: 2,
  fullyParallel: true,
  timeout: 120_000, // a slow machine is no failure
  expect: { timeout: 20_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--font-render-hinting=none',
      ],
    },
    trace: 'retain-on-failure',
  },
})
