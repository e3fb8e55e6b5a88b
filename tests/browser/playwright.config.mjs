import { defineConfig } from '@playwright/test';

// Debian's Chromium, against an application with a database of its own that is started for this run.
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.mjs',
  outputDir: '../../.kitto/browser-results',
  workers: 1,
  timeout: 60_000,
  globalSetup: './setup.mjs',
  use: {
    baseURL: process.env.KITTO_URL,
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
});
