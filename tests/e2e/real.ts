import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Browser, type Page } from './workshop';
import { Secret, TOTP } from 'otpauth';
import { built, serve } from '../filled.cjs';

/** The program as it was built. */
export const program = `${built}/Incisura.Web.dll`;

/** A real workshop, without the demo's open door, in a process and a folder of its own. */
export interface Real {
  base: string;
  env: NodeJS.ProcessEnv;
  stop: () => Promise<void>;
}

/** Starts one, and waits until it can be worked with. */
export async function startReal(password: string): Promise<Real> {
  const folder = mkdtempSync(join(tmpdir(), 'incisura-real-'));
  const settings = {
    Incisura__Demo: 'false',
    Incisura__Database: join(folder, 'incisura.db'),
    Incisura__Transport__PlainHttp: 'true',
    Incisura__FirstAdministrator__Password: password,
  };
  const server = await serve(folder, settings);
  return {
    base: server.address,
    env: { ...process.env, ...settings },
    stop: async () => {
      await server.stop('SIGKILL');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A window of its own on a real workshop. */
export async function openAt(browser: Browser, base: string, path: string, viewport = { width: 1280, height: 800 }): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: base, viewport })).newPage();
  await page.goto(path);
  return page;
}

export async function signIn(page: Page, name: string, password: string): Promise<void> {
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

export const inside = (page: Page) => expect(page.getByRole('banner').getByRole('link', { name: 'Lookup' })).toBeVisible();

// The device that shows codes. A code is taken once, so that each time the secret's next one is given, which is taken early too.
const shown = new Map<string, number>();
export const codeOf = (secret: string): string => {
  const timestamp = Math.max((shown.get(secret) ?? 0) + 30_000, Date.now() - 30_000);
  shown.set(secret, timestamp);
  return new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp });
};

/** Adds somebody under People, and gives their link. */
export async function addPerson(admin: Page, fullName: string, name: string, role: string): Promise<string> {
  await admin.getByLabel('Full name').fill(fullName);
  await admin.getByLabel('Signs in as').fill(name);
  await admin.getByRole('combobox', { name: 'Role', exact: true }).click();
  await admin.locator('.ant-select-dropdown:visible .ant-select-item-option').filter({ hasText: role }).click();
  await admin.getByRole('button', { name: 'Add, and make a link' }).click();
  return admin.getByRole('textbox', { name: `Link for ${name}` }).inputValue();
}

/** Follows a link, gives a password, and signs in with it. */
export async function joinAs(page: Page, name: string, password: string): Promise<void> {
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByLabel('Once more').fill(password);
  await page.getByRole('button', { name: 'Set it' }).click();
  await page.getByRole('link', { name: 'Go and sign in' }).click();
  await signIn(page, name, password);
  await inside(page);
}
