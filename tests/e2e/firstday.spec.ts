import { expect, test, type Page } from './workshop';
import { addPerson, codeOf, inside, joinAs, openAt, signIn, startReal, type Real } from './real';
import { choose } from './people';

// A workshop somewhere else can be begun too: the folder of `make package` in a root of its own.
const AT = process.env.INCISURA_AT;
const FIRST = process.env.INCISURA_FIRST ?? 'a first password to begin with';
const OWN = { wick: 'two old boats sank', orla: 'three green hills rose', pim: 'four wet dogs slept' };
let real: Real | undefined;
let base = AT ?? '';

test.beforeAll(async () => {
  if (AT) return;
  real = await startReal(FIRST);
  base = real.base;
});
test.afterAll(() => real?.stop());

const step = (page: Page, code: string) => page.locator(`[data-step="${code}"]`);
const done = (page: Page, code: string) => expect(step(page, code)).toHaveClass('done');
const firstDay = async (page: Page) => {
  await page.goto('/first-day');
  await expect(page.getByRole('heading', { name: 'The first day' })).toBeVisible();
};
const type = (page: Page, values: Record<string, string>) =>
  Object.entries(values).reduce(
    (before, [label, value]) => before.then(() => page.getByLabel(label, { exact: true }).first().fill(value)),
    Promise.resolve(),
  );

// What each page of an empty workshop says.
const EMPTY: [path: string, words: RegExp][] = [
  ['/library/assemblies', /“Put an assembly together” starts the first one/],
  ['/library/cutters', /“Add a cutter” starts the first one/],
  ['/library/holders', /“Add a holder” starts the first one/],
  ['/shop/materials', /Take starting values over, or add the ones you cut/],
  ['/shop/machines', /without one nothing can be calculated/],
  ['/shop/charts', /Make a speed chart/],
  ['/shop/methods', /save them as a method, or add one here/],
  ['/calculate', /The workshop has no machine, no work material, no cutter, no holder, no assembly/],
  ['/calculate/groups', /Make one from the drawing of a part/],
  ['/records', /Calculate something and save it as a draft/],
  ['/records/coverage', /The workshop has no machine, no work material, no cutter/],
  ['/editions', /calculate, keep it as a record, submit it, and an approver decides/],
  ['/lookup', /An approver publishes one under Editions/],
];

test('from an empty workshop to a published figure on a phone, by what the guide says', async ({ browser }) => {
  // The first sign-in leads to what is missing.
  const admin = await openAt(browser, base, '/');
  await signIn(admin, 'administrator', FIRST);
  await inside(admin);
  await expect(admin.getByRole('heading', { name: 'The first day' })).toBeVisible();
  await expect(step(admin, 'people')).toHaveAttribute('aria-current', 'step');
  await admin.goto('/account');
  await admin.getByLabel('Your password, once more').fill(FIRST);
  await admin.getByRole('button', { name: 'Make one' }).click();
  const secret = (await admin.getByText(/^[A-Z2-7 ]{32,}$/).innerText()).replace(/\s/g, '');
  await admin.getByLabel('Code that it shows now').fill(codeOf(secret));
  await admin.getByRole('button', { name: 'Turn it on' }).click();
  await expect(admin.getByRole('button', { name: 'I have kept them' })).toBeVisible();
  await admin.goto('/people');
  const links = {
    wick: await addPerson(admin, 'Wick Ansgar', 'wick', 'engineer'),
    orla: await addPerson(admin, 'Orla Brann', 'orla', 'approver'),
    pim: await addPerson(admin, 'Pim Doyle', 'pim', 'reader'),
  };
  await firstDay(admin);
  await done(admin, 'people');

  // An engineer comes in; wherever they look, the workshop says what it lacks and what to do.
  const wick = await openAt(browser, base, links.wick);
  await joinAs(wick, 'wick', OWN.wick);
  for (const [path, words] of EMPTY) {
    await wick.goto(path);
    await expect(wick.getByText(words).first(), path).toBeVisible();
  }

  // The machine comes from its plate.
  await firstDay(wick);
  await step(wick, 'machine').getByRole('link', { name: 'Add a machine' }).click();
  await type(wick, {
    Name: 'First mill',
    Kind: 'three-axis mill',
    'Spindle interface': 'SK 40',
    'Where the figures come from': 'plate of the machine',
    'Lowest spindle speed': '40',
    'Highest spindle speed': '8000',
    'Power, continuous': '9',
    'Torque, continuous': '57',
  });
  await expect(wick.getByRole('img', { name: /Power and torque over speed/ })).toBeVisible();
  // What is missing is asked for by name, on the part it belongs to.
  await wick.getByRole('button', { name: 'Add to the shop' }).click();
  await expect(wick.getByText(/The largest axis feed/)).toBeVisible();
  await type(wick, { 'Largest axis feed': '8000', 'Rapid traverse': '20000', 'Efficiency, motor to edge': '0.8' });
  await wick.getByRole('button', { name: 'Add to the shop' }).click();
  await expect(wick.getByRole('heading', { name: 'First mill' })).toBeVisible();

  // Materials, a holder and rows of the chart from the starting values.
  await firstDay(wick);
  await done(wick, 'machine');
  await step(wick, 'material').getByRole('link', { name: 'Take starting values over' }).click();
  await wick.getByRole('checkbox', { name: 'material C45' }).check();
  await wick.getByText('Holders', { exact: true }).click();
  await wick.getByRole('checkbox', { name: 'holder SL-40-12' }).check();
  await wick.getByText('Rows of the speed chart', { exact: true }).click();
  await wick.getByRole('checkbox', { name: 'row SquareEndMill Carbide P side-rough' }).check();
  await wick.getByRole('button', { name: 'Take 3 over' }).click();
  await expect(wick.getByText('3 taken over.')).toBeVisible();

  // A cutter is typed, and put into the holder.
  await firstDay(wick);
  await step(wick, 'cutter').getByRole('link', { name: 'Add a cutter' }).click();
  await wick.getByLabel('Number', { exact: true }).fill('C-0001');
  await wick.getByRole('button', { name: 'Add to the library' }).click();
  await expect(wick.getByRole('heading', { name: /C-0001/ })).toBeVisible();
  await firstDay(wick);
  await done(wick, 'holder');
  await step(wick, 'assembly').getByRole('link', { name: 'Put an assembly together' }).click();
  await wick.getByLabel('Shop number', { exact: true }).fill('A-0001');
  await choose(wick, 'Cutter', 'C-0001');
  await choose(wick, 'Holder', 'SL-40-12');
  await wick.getByLabel('Out of the holder').fill('40');
  await wick.getByRole('button', { name: 'Add to the library' }).click();
  await expect(wick.getByRole('heading', { name: /A-0001/ })).toBeVisible();

  // The first record says what nobody has tried.
  await firstDay(wick);
  await done(wick, 'chart');
  await step(wick, 'record').getByRole('link', { name: 'Calculate' }).click();
  await choose(wick, 'Operation', 'Rough side milling');
  await choose(wick, 'Work material', 'C45');
  await choose(wick, 'Machine', 'First mill');
  await choose(wick, 'Assembly', 'A-0001');
  await expect(wick.getByText(/Starting values, not tried here: speed and feed/)).toBeVisible();
  await wick.getByRole('button', { name: 'Save as draft record' }).click();
  await wick.getByRole('button', { name: 'Submit for review' }).click();
  await expect(wick.getByText('in review').first()).toBeVisible();

  // Approved with reasons, and published.
  const orla = await openAt(browser, base, links.orla);
  await joinAs(orla, 'orla', OWN.orla);
  await firstDay(orla);
  await step(orla, 'approval').getByRole('link', { name: 'Open the records' }).click();
  await orla.getByRole('link', { name: 'R-0001' }).first().click();
  const reasons = orla.getByRole('textbox', { name: /Why it may stand/ });
  await expect(reasons.first()).toBeVisible();
  for (const box of await reasons.all()) await box.fill('run with a hand on the feed');
  await orla.getByRole('button', { name: 'Approve', exact: true }).click();
  await expect(orla.getByText('approved', { exact: true }).first()).toBeVisible();
  await firstDay(orla);
  await step(orla, 'edition').getByRole('link', { name: 'Publish an edition' }).click();
  await orla.getByLabel('Note of the edition').fill('The first one.');
  await orla.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(orla.getByRole('link', { name: /Edition 1/ }).first()).toBeVisible();
  await firstDay(orla);
  await expect(orla.getByText(/All is there/)).toBeVisible();

  // A reader finds it on a phone, with what nobody has tried.
  const pim = await openAt(browser, base, links.pim, { width: 390, height: 800 });
  await joinAs(pim, 'pim', OWN.pim);
  await expect(pim).toHaveURL(/lookup/);
  await pim.getByRole('searchbox').or(pim.getByPlaceholder('A-1042 42CrMo4')).first().fill('C45');
  await expect(pim.getByText('A-0001').first()).toBeVisible();
  await expect(pim.getByText(/Starting values, not tried here/).first()).toBeVisible();
  await expect(pim.getByText(/rev\/min/).first()).toBeVisible();

  // Whoever comes in from now on is led to what they do most.
  await wick.goto('/');
  await expect(wick).toHaveURL(/calculate/);
});
