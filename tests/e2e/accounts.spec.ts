import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { Secret, TOTP } from 'otpauth';

// A real workshop, without the demo's open door, in a process of its own.
const port = 5093;
const BASE = `http://127.0.0.1:${port}`;
const host = resolve(__dirname, '../../src/Incisura.Web');
const program = `${host}/bin/Release/net10.0/Incisura.Web.dll`;
const FIRST = 'a first password to begin with';
const OWN = 'two old boats sank';
const folder = mkdtempSync(join(tmpdir(), 'incisura-accounts-'));
const env = {
  ...process.env,
  Incisura__Database: join(folder, 'incisura.db'),
  Incisura__Transport__PlainHttp: 'true',
  Incisura__FirstAdministrator__Password: FIRST,
  Serilog__MinimumLevel__Default: 'Fatal',
};
let server: ChildProcess;

test.beforeAll(async () => {
  server = spawn('dotnet', [program, '--urls', BASE, '--contentRoot', host], { env, stdio: 'ignore' });
  await expect
    .poll(
      () =>
        fetch(`${BASE}/health`).then(
          (r) => r.ok,
          () => false,
        ),
      { timeout: 60_000 },
    )
    .toBe(true);
});
test.afterAll(() => {
  server.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

const window = async (browser: Browser, path: string): Promise<Page> => {
  const page = await (await browser.newContext({ baseURL: BASE })).newPage();
  await page.goto(path);
  return page;
};
const signIn = async (page: Page, name: string, password: string) => {
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
};
const inside = (page: Page) => expect(page.getByRole('banner').getByRole('link', { name: 'Lookup' })).toBeVisible();

// The device that shows codes. A code is taken once, so that each time the next one is given, which is taken early too.
let shown = 0;
const codeOf = (secret: string): string => {
  const totp = new TOTP({ secret: Secret.fromBase32(secret) });
  shown = Math.max(shown + 30_000, Date.now() - 30_000);
  return totp.generate({ timestamp: shown });
};

test('a workshop begins: a second factor, somebody invited, closed in the middle of work, and an administrator who lost everything', async ({
  browser,
}) => {
  test.setTimeout(90_000);
  const admin = await window(browser, '/people');
  await signIn(admin, 'administrator', FIRST);
  await expect(admin.getByText('An administrator needs a second factor')).toBeVisible();

  // The device is paired, and codes for its loss are kept.
  await admin.goto('/account');
  await admin.getByLabel('Your password, once more').fill(FIRST);
  await admin.getByRole('button', { name: 'Make one' }).click();
  const secret = (await admin.getByText(/^[A-Z2-7 ]{32,}$/).innerText()).replace(/\s/g, '');
  await admin.getByLabel('Code that it shows now').fill('000000');
  await admin.getByRole('button', { name: 'Turn it on' }).click();
  await expect(admin.getByText('This is not the code that the device shows now')).toBeVisible();
  await admin.getByLabel('Code that it shows now').fill(codeOf(secret));
  await admin.getByRole('button', { name: 'Turn it on' }).click();
  await expect(admin.getByRole('button', { name: 'I have kept them' })).toBeVisible();

  // Somebody is invited; the link is good once.
  await admin.goto('/people');
  await admin.getByLabel('Full name').fill('Edda Quill');
  await admin.getByLabel('Signs in as').fill('edda');
  await admin.getByRole('combobox', { name: 'Role', exact: true }).click();
  await admin.locator('.ant-select-item-option').filter({ hasText: 'engineer' }).click();
  await admin.getByRole('button', { name: 'Add, and make a link' }).click();
  const link = await admin.getByRole('textbox', { name: 'Link for edda' }).inputValue();
  await expect(admin.getByRole('row', { name: /Edda Quill/ })).toContainText('invited');

  const edda = await window(browser, link);
  expect((await new AxeBuilder({ page: edda }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze()).violations).toEqual([]);
  await edda.getByLabel('Password', { exact: true }).fill('edda edda edda');
  await edda.getByLabel('Once more').fill('edda edda edda');
  await edda.getByRole('button', { name: 'Set it' }).click();
  await expect(edda.getByText("mostly the person's own name")).toBeVisible();
  await edda.getByLabel('Password', { exact: true }).fill(OWN);
  await expect(edda.getByText('The two are not the same yet.')).toBeVisible();
  await edda.getByLabel('Once more').fill(OWN);
  await edda.getByLabel('Once more').press('Enter');
  await edda.getByRole('link', { name: 'Go and sign in' }).click();
  await signIn(edda, 'edda', OWN);
  await inside(edda);
  const again = await window(browser, link);
  await again.getByLabel('Password', { exact: true }).fill('three new boats came');
  await again.getByLabel('Once more').fill('three new boats came');
  await again.getByRole('button', { name: 'Set it' }).click();
  await expect(again.getByText('This link was used already')).toBeVisible();

  // Her account is closed while she works: what she typed stays, and nobody lets her in.
  await edda.goto('/library/cutters/new');
  await edda.getByLabel('Number', { exact: true }).fill('E-0001');
  await admin.reload();
  const row = admin.getByRole('row', { name: /Edda Quill/ });
  await expect(row).toContainText('open');
  await row.getByRole('button', { name: 'Close' }).click();
  await expect(row).toContainText('closed');
  await edda
    .getByRole('button', { name: /Save|Add/ })
    .first()
    .click();
  await expect(edda.getByText('Your session has ended.', { exact: true })).toBeVisible();
  await expect(edda.getByLabel('Number', { exact: true })).toHaveValue('E-0001');
  await signIn(edda, 'edda', OWN);
  await expect(edda.getByText('This account has been closed; ask the administrator.')).toBeVisible();
  await row.getByRole('button', { name: 'Open again' }).click();
  await expect(row).toContainText('open');
  await edda.getByRole('button', { name: 'Sign in' }).click();
  await expect(edda.getByText('Your session has ended.', { exact: true })).toBeHidden();
  await expect(edda.getByLabel('Number', { exact: true })).toHaveValue('E-0001');

  // Who came in is told to the administrator.
  await admin.goto('/history?kind=door');
  await expect(admin.getByText(/edda\s+was not let in/).first()).toBeVisible();

  // Neither the password nor the device is there any more: the machine helps.
  await admin.context().clearCookies();
  const said = execFileSync('dotnet', [program, 'reset-password', 'administrator'], { env, encoding: 'utf8' });
  const given = /signs in with (\S+) /.exec(said)![1]!;
  const lost = await window(browser, '/account');
  await signIn(lost, 'administrator', FIRST);
  await expect(lost.getByText('Name and password do not fit together')).toBeVisible();
  await signIn(lost, 'administrator', given);
  await inside(lost);
  await expect(lost.getByRole('button', { name: 'Make one' })).toBeVisible();
});
