// Measures the built server on loopback with the demo workshop: answers per second and their times with 20 at a time,
// the first page in a real browser, and the memory of the server. Bounded: 6000 requests, then it stops by itself.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '..');
const port = 5096;
const data = mkdtempSync(join(tmpdir(), 'incisura-load-'));
const host = `${root}/src/Incisura.Web`;
const server = spawn(
  'dotnet',
  [`${host}/bin/Release/net10.0/Incisura.Web.dll`, '--urls', `http://127.0.0.1:${port}`, '--contentRoot', host],
  {
    env: {
      ...process.env,
      Incisura__Demo: 'true',
      Incisura__DemoData: `${root}/demo`,
      Incisura__Database: join(data, 'incisura.db'),
      Serilog__MinimumLevel__Default: 'Warning',
    },
    stdio: 'ignore',
  },
);
const agent = new Agent({ keepAlive: true, maxSockets: 20 });

function call(method, path, body, cookie) {
  return new Promise((done, fail) => {
    const req = request(
      {
        port,
        host: '127.0.0.1',
        method,
        path,
        agent,
        headers: {
          ...(body && { 'content-type': 'application/json' }),
          ...(cookie && { cookie }),
        },
      },
      (res) => {
        let text = '';
        res.on('data', (chunk) => (text += chunk));
        res.on('end', () =>
          done({
            status: res.statusCode,
            text,
            cookie: res.headers['set-cookie']?.[0]?.split(';')[0],
          }),
        );
      },
    );
    req.on('error', fail);
    req.end(body);
  });
}

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))].toFixed(2);

try {
  for (let i = 0; ; i++) {
    if (
      await call('GET', '/health').then(
        (r) => r.status === 200,
        () => false,
      )
    )
      break;
    if (i > 60) throw new Error('the server did not start');
    await new Promise((r) => setTimeout(r, 500));
  }
  const { cookie } = await call('POST', '/api/v1/session/demo/maren');

  async function calculations(count) {
    const times = [];
    let next = 0;
    const started = performance.now();
    await Promise.all(
      Array.from({ length: 20 }, async () => {
        while (next++ < count) {
          const body = JSON.stringify({
            materialId: 1,
            assemblyId: 6,
            machineId: 1,
            numbers: { widthOfCut: 1 + (next % 40) / 20 },
          });
          const from = performance.now();
          const answer = await call('POST', '/api/v1/calculations/side-rough', body, cookie);
          if (answer.status !== 200) throw new Error(answer.text);
          times.push(performance.now() - from);
        }
      }),
    );
    const seconds = (performance.now() - started) / 1000;
    return { times: times.sort((a, b) => a - b), rate: count / seconds };
  }
  await calculations(2000);
  const { times, rate } = await calculations(4000);
  console.log(
    `POST /calculations/side-rough, 20 at a time: median ${at(times, 0.5)} ms, p95 ${at(times, 0.95)} ms, p99 ${at(times, 0.99)} ms, ${rate.toFixed(0)} a second`,
  );

  const { chromium } = createRequire(`${root}/web/`)('@playwright/test');
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  for (const [name, path, ready] of [
    ['sign-in', '/', 'button:has-text("Maren Osk")'],
    ['Calculate', '/calculate?op=side-rough&material=1&assembly=6&machine=1', '[data-figure="spindleSpeed"]'],
  ]) {
    const context = await browser.newContext();
    if (name !== 'sign-in') await context.request.post(`http://127.0.0.1:${port}/api/v1/session/demo/maren`);
    const page = await context.newPage();
    const from = performance.now();
    await page.goto(`http://127.0.0.1:${port}${path}`);
    await page.locator(ready).first().waitFor();
    console.log(`${name}, first visit with an empty cache, usable after ${(performance.now() - from).toFixed(0)} ms`);
    await context.close();
  }
  await browser.close();

  const status = readFileSync(`/proc/${server.pid}/status`, 'utf8');
  console.log(`server resident after all this: ${(Number(/VmRSS:\s+(\d+)/.exec(status)[1]) / 1024).toFixed(0)} MB`);
} finally {
  server.kill();
  rmSync(data, { recursive: true, force: true });
}
