import { defineConfig } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const port = 5097;
const root = resolve(__dirname, '../..');
process.env.INCISURA_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'incisura-e2e-'));

export default defineConfig({
  testDir: '.',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  workers: 1,
  forbidOnly: true,
  reporter: [['list'], ['json']],
  outputDir: resolve(root, 'artifacts/e2e'),
  use: {
    baseURL: `http://127.0.0.1:${port}`,
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
      ],
    },
    screenshot: 'only-on-failure',
  },
  webServer: {
    command:
      `dotnet run --no-build -c Release --no-launch-profile --project ${root}/src/Incisura.Web ` +
      `-- --urls http://127.0.0.1:${port} --contentRoot ${root}/src/Incisura.Web`,
    url: `http://127.0.0.1:${port}/health`,
    timeout: 90_000,
    env: {
      Incisura__Demo: 'true',
      Incisura__DemoData: `${root}/demo`,
      Incisura__Database: join(process.env.INCISURA_E2E_DATA, 'incisura.db'),
    },
  },
});
