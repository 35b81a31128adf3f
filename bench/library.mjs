// Measures the library with 50 000 cutters on loopback: bringing them in from CSV, searching them with filters and counts, and
// scrolling the list to its end in a real browser without a blank row. Bounded: 400 questions, then it stops by itself.
import { createRequire } from 'node:module';
import { root, startServer } from './server.mjs';

const port = 5095;
const COUNT = 50_000;
const FAMILIES = ['square end mill', 'ball end mill', 'corner-radius end mill', 'twist drill', 'reamer', 'cutting tap'];
const COATINGS = ['AlTiN', 'TiN', 'TiAlN', 'DLC', ''];

function row(i) {
  const family = FAMILIES[i % FAMILIES.length];
  const d = 2 + ((i * 7) % 180) / 10;
  const flutes = (d * (1.5 + (i % 5))).toFixed(2);
  const tap = family === 'cutting tap';
  return [
    `B-${String(i).padStart(6, '0')}`,
    family,
    i % 3 ? 'carbide' : 'HSS',
    COATINGS[i % COATINGS.length],
    'PMKNSH'.slice(0, 1 + (i % 6)),
    tap ? '' : d,
    tap ? Math.max(3, d).toFixed(1) : '',
    tap ? 0.5 : '',
    2 + (i % 4),
    flutes,
    (Number(flutes) + 60).toFixed(2),
    d,
    family === 'corner-radius end mill' ? (d / 8).toFixed(3) : '',
    family === 'twist drill' ? 140 : '',
    i % 4 ? '' : 'kept for the manifold',
  ].join(',');
}
const csv = [
  'number,family,material,coating,groups,DC,TDZ,TP,ZEFF,LCF,OAL,DMM,RE,SIG,remarks',
  ...Array.from({ length: COUNT }, (_, i) => row(i)),
].join('\n');

const { call, cookie, stop, memory } = await startServer(port);
const wait = (ms) => new Promise((r) => setTimeout(r, ms));
const seconds = (from) => ((performance.now() - from) / 1000).toFixed(1);

async function until(job, busy, meanwhile = () => wait(100)) {
  for (;;) {
    const now = JSON.parse((await call('GET', `/api/v1/library/cutters/imports/${job}`, null, cookie)).text);
    if (now.state !== busy) return now;
    await meanwhile();
  }
}

async function save(remarks) {
  const { revision, definition } = JSON.parse((await call('GET', '/api/v1/library/cutters/1', null, cookie)).text);
  const at = performance.now();
  const body = JSON.stringify({ ...definition, remarks });
  const saved = await call('PUT', '/api/v1/library/cutters/1', body, cookie, 'application/json', revision);
  if (saved.status !== 200) throw new Error(saved.text);
  return performance.now() - at;
}

try {
  const from = performance.now();
  const sent = await call('POST', '/api/v1/library/cutters/imports?file=many.csv', csv, cookie, 'application/octet-stream');
  const { id } = JSON.parse(sent.text);
  const looked = await until(id, 'looking');
  console.log(`${(csv.length / 1e6).toFixed(1)} MB of CSV looked at after ${seconds(from)} s: ${JSON.stringify(looked.counts)}`);
  const writing = performance.now();
  await call('POST', `/api/v1/library/cutters/imports/${id}/apply`, '{"goodRowsOnly":false}', cookie);
  const beside = [];
  const done = await until(id, 'writing', async () => {
    beside.push(await save(`beside ${beside.length}`));
    await wait(50);
  });
  console.log(
    `${done.said} Written after another ${seconds(writing)} s, all in ${seconds(from)} s; peak memory ${memory('VmHWM').toFixed(0)} MB`,
  );
  console.log(`${beside.length} saves of somebody else meanwhile: the longest took ${Math.max(...beside).toFixed(0)} ms`);

  const questions = [
    'q=Ø12',
    'q=ball 6 long',
    'q=z4 tin',
    'family=twistDrill&group=K',
    'q=manifold&material=carbide&sort=DC&descending=true',
    'q=B-0123',
    'sort=LU&skip=40000',
    'q=squre mill&size=6-10',
  ];
  const times = [];
  for (let i = 0; i < 400; i++) {
    const path = `/api/v1/library/cutters?take=100&${encodeURI(questions[i % questions.length])}`;
    const at = performance.now();
    const answer = await call('GET', path, null, cookie);
    if (answer.status !== 200) throw new Error(answer.text);
    if (i >= questions.length) times.push(performance.now() - at);
  }
  times.sort((a, b) => a - b);
  const share = (p) => times[Math.floor(times.length * p)].toFixed(1);
  console.log(`search with filters, counts and 100 rows over HTTP: median ${share(0.5)} ms, p95 ${share(0.95)} ms`);

  const after = [];
  for (let i = 0; i < 8; i++) {
    await save(`time ${i}`);
    const at = performance.now();
    await call('GET', '/api/v1/library/cutters?take=100&q=ball', null, cookie);
    after.push(performance.now() - at);
  }
  console.log(`first search after somebody saved a cutter: ${after.map((t) => t.toFixed(0)).join(', ')} ms`);

  const { chromium } = createRequire(`${root}/web/`)('@playwright/test');
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.request.post(`http://127.0.0.1:${port}/api/v1/session/demo/maren`);
  const page = await context.newPage();
  await page.goto(`http://127.0.0.1:${port}/library/cutters`);
  await page.locator('.rows-table .row a').first().waitFor();
  let waiting = 0;
  let looks = 0;
  for (let i = 0; i < 300; i++) {
    await page.locator('.rows-table').evaluate((e) => e.scrollBy(0, 600));
    await page.waitForTimeout(16);
    looks++;
    const state = await page.locator('.rows-table').evaluate((e) => {
      const box = e.getBoundingClientRect();
      const seen = [...e.querySelectorAll('.row')].filter(
        (r) => r.getBoundingClientRect().bottom > box.top && r.getBoundingClientRect().top < box.bottom,
      );
      return seen.length === 0 || seen.some((r) => r.classList.contains('waiting'));
    });
    if (state) waiting++;
  }
  console.log(`scrolled 300 steps of 600 px: ${waiting} of ${looks} looks found a row still being fetched`);
  await browser.close();
  console.log(`server resident after all this: ${memory('VmRSS').toFixed(0)} MB`);
} finally {
  stop();
}
