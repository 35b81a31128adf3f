import { gzipSync } from 'node:zlib';
import { expect, quiet, test } from './workshop';
import { comeInAs } from './people';

// What a page may weigh in script, gzipped, when it is the first one that is opened.
for (const [path, most] of [
  ['/lookup?q=A-1042', 150_000],
  ['/calculate?op=side-rough&material=2&assembly=6&machine=1', 300_000],
] as const)
  test(`${path.split('?')[0]} needs at most ${most / 1000} kB of script`, async ({ browser }) => {
    const maren = await comeInAs(browser, 'Maren Osk', '/lookup');
    // Everything once more, as if nothing of it had been fetched.
    const names: string[] = [];
    maren.on('response', (r) => {
      if (r.url().endsWith('.js')) names.push(r.url());
    });
    await maren.goto(path);
    await expect(maren.getByText('A-1042').first()).toBeVisible();
    await quiet(maren);
    const all = await Promise.all(
      names.map(async (url) => [url.split('/').pop()!, gzipSync(await (await maren.request.get(url)).body()).length] as const),
    );
    expect(all.length).toBeGreaterThan(3);
    expect(
      all.reduce((sum, [, weight]) => sum + weight, 0),
      all.map((a) => a.join(' ')).join(', '),
    ).toBeLessThan(most);
  });

test('a sum is worked out also where what does it is slow to come', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/account');
  let release = () => {};
  const held = new Promise<void>((resolve) => (release = resolve));
  await maren.route('**/assets/sums.math*', async (route) => {
    await held;
    await route.continue();
  });
  await maren.goto('/calculate?op=side-rough&material=2&assembly=6&machine=1');
  const width = maren.getByLabel('Width, at most');
  await width.fill('1+1/4');
  await expect(maren.getByText('one moment')).toBeVisible();
  release();
  await expect(maren.getByText('= 1.25 mm')).toBeVisible();
  await expect(width).toHaveValue('1+1/4');
});
