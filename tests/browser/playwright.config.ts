import { defineConfig } from '@playwright/test'

/** The real server with demo data; its address comes from ./zippy. */
export default defineConfig({
  testDir: '.',
  outputDir: './results',
  workers: 1,
  fullyParallel: false,
  retries: 0,
  timeout: 240_000,
  expect: { timeout: 40_000 },
  reporter: [['list']],
  use: {
    actionTimeout: 60_000,
    baseURL: process.env.ZIPPY_URL ?? 'http://127.0.0.1:8017',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Dublin',
    reducedMotion: 'reduce',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  projects: [
    { name: 'journeys', testMatch: '*.journey.ts' },
    { name: 'shots', testMatch: 'shots.ts' },
  ],
})
