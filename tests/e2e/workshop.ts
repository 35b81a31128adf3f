import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test as base, type Page } from '@playwright/test';
import { copyInto, serve } from '../filled.cjs';

/** Journeys of one worker share a server and a copy of the filled workshop; another worker has its own. */
export const test = base.extend<object, { workshop: { address: string } }>({
  workshop: [
    async ({}, provide) => {
      const folder = mkdtempSync(join(tmpdir(), 'incisura-e2e-'));
      await copyInto(folder);
      const server = await serve(folder);
      await provide(server);
      await server.stop('SIGKILL');
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker', auto: true },
  ],
  baseURL: ({ workshop }, provide) => provide(workshop.address),
});

/** Opens an address, and waits until nothing is being fetched for it. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await quiet(page);
}

/** Waits until the page no longer says that it is busy. */
export const quiet = (page: Page) => expect(page.locator('html:not([data-busy])')).toBeAttached();

export { expect };
export type { Browser, BrowserContext, Page } from '@playwright/test';
