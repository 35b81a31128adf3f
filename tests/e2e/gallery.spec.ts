import { expect, test } from './workshop';
import { comeInAs } from './people';

// Runs in the page: each picture with its kind, and what is wrong with it in words.
function look(figures: Element[]): [name: string, picture: string, faults: string[]][] {
  const bad = /NaN|undefined|Infinity|null/;
  const faultsOf = (svg: Element) => {
    const attributes = [svg, ...svg.querySelectorAll('*')].flatMap((node) => [...node.attributes].map((a) => `${a.name}=${a.value}`));
    const frame = svg.getBoundingClientRect();
    const texts = [...svg.querySelectorAll('text')].map((t) => ({ words: t.textContent ?? '', box: t.getBoundingClientRect() }));
    return [
      ...attributes.filter((a) => bad.test(a)),
      ...texts.flatMap(({ words, box }, i) => {
        const out = Math.max(frame.left - box.left, box.right - frame.right, frame.top - box.top, box.bottom - frame.bottom);
        const below = texts.slice(i + 1).filter((other) => {
          const across = Math.min(box.right, other.box.right) - Math.max(box.left, other.box.left);
          const down = Math.min(box.bottom, other.box.bottom) - Math.max(box.top, other.box.top);
          // A line of text is taller than its letters.
          return across > 2 && down > 5;
        });
        return [
          ...(bad.test(words) ? [`“${words}”`] : []),
          ...(out > 2 ? [`“${words}” stands ${out.toFixed(0)} px outside`] : []),
          ...below.map((other) => `“${words}” stands on “${other.words}”`),
        ];
      }),
    ];
  };
  return figures.map((figure) => [
    figure.getAttribute('aria-label')!,
    figure.getAttribute('data-picture')!,
    [...figure.querySelectorAll('svg[role=img]')].flatMap(faultsOf),
  ]);
}

test('no picture has words on words, words outside, or a number that is none', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/gallery');
  await expect(maren.locator('[data-ready=true]')).toBeVisible({ timeout: 120_000 });
  const found = await maren.locator('figure[data-picture]').evaluateAll(look);
  expect(found.length).toBeGreaterThan(150);
  expect(new Set(found.map(([, picture]) => picture)).size).toBe(21);
  expect(found.flatMap(([name, , faults]) => faults.map((fault) => `${name}: ${fault}`))).toEqual([]);
});
