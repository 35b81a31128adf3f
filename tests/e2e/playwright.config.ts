import { defineConfig } from '@playwright/test';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';

// The one without windows takes a fifth less of the machine.
const BROWSERS = ['/usr/lib/chromium/chromium-headless-shell', '/usr/bin/chromium'];
const root = resolve(__dirname, '../..');

export default defineConfig({
  testDir: '.',
  // On a busy machine everything takes longer; what is there at once is not waited for.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  workers: 2,
  forbidOnly: true,
  reporter: [['list'], ['json']],
  outputDir: resolve(root, 'artifacts/e2e'),
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? BROWSERS.find(existsSync),
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
    screenshot: 'only-on-failure',
  },
});
