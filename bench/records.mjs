// Measures records at size: 20 000 of them (or the number given) on loopback. Lists, one record and coverage as ratios to one row read by
// its index over the same connection, while nothing else happens; then a chart row and a machine are revised: how long the judging takes
// and how long the saves of others take meanwhile; then the memory. Bounded by the counts below.
import { execFileSync } from 'node:child_process';
import { root, startServer } from './server.mjs';

const COUNT = Number(process.argv[2] ?? 20_000);
const port = 5096;
const first = await startServer(port);
first.stop(true);
const seed = ['seed', `${first.data}/incisura.db`, String(COUNT)];
execFileSync('dotnet', ['run', '-c', 'Release', '--project', `${root}/bench/Incisura.Bench`, '--', ...seed], { stdio: 'inherit' });
const { call, cookie, stop, memory } = await startServer(port, first.data);
const get = async (path) => {
  const answer = await call('GET', path, null, cookie);
  if (answer.status !== 200) throw new Error(`${path}: ${answer.status} ${answer.text.slice(0, 300)}`);
  return JSON.parse(answer.text);
};
async function times(path, n = 60) {
  const all = [];
  for (let i = 0; i < n + 5; i++) {
    const at = performance.now();
    await get(path);
    if (i >= 5) all.push(performance.now() - at);
  }
  all.sort((a, b) => a - b);
  return { p50: all[Math.floor(n * 0.5)], p95: all[Math.floor(n * 0.95)] };
}

try {
  await get('/api/v1/records?take=1');
  const unit = await times('/api/v1/library/cutters/1', 200);
  console.log(`${COUNT} records; one row by its index: p50 ${unit.p50.toFixed(1)} ms, p95 ${unit.p95.toFixed(1)} ms`);
  for (const path of [
    'records?take=50',
    'records?take=50&text=brindle%20ring',
    'records?take=50&skip=15000&order=number',
    'records?take=50&order=limit&machine=1&state=approved',
    'records?take=50&stands=stale',
    'records?take=50&counts=approved&operation=side-rough',
    'records/waiting',
    'records/R-01000',
    'coverage?view=machines',
    'coverage?view=operation&operation=side-rough',
    'coverage?view=cutter&cutter=20',
    'history?text=brindle',
  ]) {
    const t = await times(`/api/v1/${path}`);
    const ms = (value) => `${value.toFixed(1).padStart(6)} ms`;
    console.log(`${path.padEnd(56)} p50 ${ms(t.p50)}, p95 ${ms(t.p95)}: ${(t.p95 / unit.p95).toFixed(1)} times one row`);
  }

  const save = async (path, change) => {
    const { revision, definition } = await get(path);
    const at = performance.now();
    const saved = await call('PUT', path, JSON.stringify(change(definition)), cookie, 'application/json', revision);
    if (saved.status !== 200) throw new Error(saved.text.slice(0, 300));
    return performance.now() - at;
  };
  const from = performance.now();
  await save('/api/v1/shop/charts/1', (d) => ({ ...d, rows: d.rows.map((r) => ({ ...r, cuttingSpeed: r.cuttingSpeed * 0.97 })) }));
  const saves = [];
  for (;;) {
    saves.push(await save('/api/v1/library/cutters/60', (d) => ({ ...d, remarks: `time ${saves.length}` })));
    if ((await get('/api/v1/records?take=1')).judging === 0) break;
  }
  saves.sort((a, b) => a - b);
  const [p95, most] = [saves[Math.floor(saves.length * 0.95)], saves[saves.length - 1]].map((t) => t.toFixed(0));
  const took = ((performance.now() - from) / 1000).toFixed(0);
  console.log(`all judged anew in ${took} s; ${saves.length} saves of others meanwhile: p95 ${p95} ms, most ${most} ms`);
  const stale = await times('/api/v1/records?take=50&stands=stale&order=moved');
  console.log(`stale by how far they moved: p95 ${stale.p95.toFixed(1)} ms: ${(stale.p95 / unit.p95).toFixed(1)} times one row`);
  console.log(`server resident after all this: ${memory('VmRSS').toFixed(0)} MB, peak ${memory('VmHWM').toFixed(0)} MB`);
} finally {
  stop();
}
