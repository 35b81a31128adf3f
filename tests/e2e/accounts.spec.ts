import { execFileSync } from 'node:child_process';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Browser } from './workshop';
import { addPerson, codeOf, inside, openAt, program, signIn, startReal, type Real } from './real';

const FIRST = 'a first password to begin with';
const OWN = 'two old boats sank';
let real: Real;

test.beforeAll(async () => {
  real = await startReal(FIRST);
});
test.afterAll(() => real.stop());

const window = (browser: Browser, path: string) => openAt(browser, real.base, path);

test('a workshop begins: a second factor, somebody invited, closed in the middle of work, and an administrator who lost everything', async ({
  browser,
}) => {
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
  const link = await addPerson(admin, 'Edda Quill', 'edda', 'engineer');
  await expect(admin.getByRole('row', { name: /Edda Quill/ })).toContainText('invited');

  const edda = await window(browser, link);
  const found = await new AxeBuilder({ page: edda }).setLegacyMode().withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze();
  expect(found.violations).toEqual([]);
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
  const said = execFileSync('dotnet', [program, 'reset-password', 'administrator'], { env: real.env, encoding: 'utf8' });
  const given = /signs in with (\S+) /.exec(said)![1]!;
  const lost = await window(browser, '/account');
  await signIn(lost, 'administrator', FIRST);
  await expect(lost.getByText('Name and password do not fit together')).toBeVisible();
  await signIn(lost, 'administrator', given);
  await lost.getByLabel('A password of your own').fill('six new boats sail');
  await lost.getByRole('button', { name: 'Sign in' }).click();
  await inside(lost);
  await expect(lost.getByRole('button', { name: 'Make one' })).toBeVisible();
});
