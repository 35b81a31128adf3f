// Measures editions at size on loopback: of N records (36 400, or the number given) more than half are approved, which makes editions of
// 20 000. The first edition of all, then one without 50 of them: how long, how much the database grows, how much memory, and how long the
// saves of others take meanwhile, one every 200 ms; then Lookup, pages, differences and the file; then more editions, and whether Lookup
// still answers as before.
import { execFileSync } from 'node:child_process';
import { statSync } from 'node:fs';
import { root, startServer } from './server.mjs';

const COUNT = Number(process.argv[2] ?? 36_400);
const MORE = Number(process.argv[3] ?? 38);
const port = 5097;
const first = await startServer(port);
first.stop(true);
const seed = ['seed', `${first.data}/incisura.db`, String(COUNT)];
execFileSync('dotnet', ['run', '-c', 'Release', '--project', `${root}/bench/Incisura.Bench`, '--', ...seed], { stdio: 'inherit' });
const { call, cookie, stop, memory, data } = await startServer(port, first.data);
const approver = (await call('POST', '/api/v1/session/demo/tobiah')).cookie;
const ask = async (method, path, body, who = cookie, revision) => {
  const answer = await call(method, `/api/v1/${path}`, body && JSON.stringify(body), who, 'application/json', revision);
  if (answer.status >= 300) throw new Error(`${method} ${path}: ${answer.status} ${answer.text.slice(0, 300)}`);
  return answer.text.startsWith('{') || answer.text.startsWith('[') ? JSON.parse(answer.text) : answer.text;
};
const quantile = (all, q) => all.toSorted((a, b) => a - b)[Math.min(all.length - 1, Math.floor(all.length * q))] ?? 0;
const megabytes = () =>
  ['', '-wal'].reduce((sum, end) => sum + (statSync(`${data}/incisura.db${end}`, { throwIfNoEntry: false })?.size ?? 0), 0) / 2 ** 20;

async function publish(note, takes = {}) {
  const [before, from] = [megabytes(), performance.now()];
  const saves = [];
  let progress = await ask('POST', 'editions', { note, takes }, approver);
  while (progress.running) {
    const { revision, definition } = await ask('GET', 'library/cutters/60');
    const at = performance.now();
    await ask('PUT', 'library/cutters/60', { ...definition, remarks: `${note} ${saves.length}` }, cookie, revision);
    saves.push(performance.now() - at);
    await new Promise((r) => setTimeout(r, 200));
    progress = await ask('GET', 'editions/publishing');
  }
  if (progress.refused) throw new Error(progress.refused);
  const { number, count, size } = progress.edition;
  return { number, count, size: size / 2 ** 20, took: (performance.now() - from) / 1000, growth: megabytes() - before, saves };
}

const tell = (e) =>
  console.log(
    `edition ${e.number}: ${e.count} records, file ${e.size.toFixed(0)} MB, in ${e.took.toFixed(1)} s, database + ${e.growth.toFixed(0)} MB; ` +
      `${e.saves.length} saves of others meanwhile: p95 ${quantile(e.saves, 0.95).toFixed(0)} ms, most ${Math.max(0, ...e.saves).toFixed(0)} ms; ` +
      `resident ${memory('VmRSS').toFixed(0)} MB, peak ${memory('VmHWM').toFixed(0)} MB`,
  );

async function times(path, n = 60) {
  const all = [];
  for (let i = 0; i < n + 5; i++) {
    const at = performance.now();
    await ask('GET', path);
    if (i >= 5) all.push(performance.now() - at);
  }
  return { p50: quantile(all, 0.5), p95: quantile(all, 0.95) };
}

const told = ['lookup?q=A-1042', 'lookup?q=brindle%20rough%2042crmo4', 'lookup?q=%C3%9812', 'lookup?q=nothing%20of%20it', 'editions'];
async function look() {
  await ask('GET', 'lookup');
  const unit = await times('library/cutters/1', 200);
  for (const path of told) {
    const t = await times(path);
    console.log(
      `${path.padEnd(48)} p50 ${t.p50.toFixed(1)} ms, p95 ${t.p95.toFixed(1)} ms: ${(t.p95 / unit.p95).toFixed(1)} times one row`,
    );
  }
}

try {
  await ask('GET', 'records?take=1');
  console.log(`database ${megabytes().toFixed(0)} MB before`);
  tell(await publish('First of all'));
  const { rows } = await ask('GET', 'records?take=50&state=approved');
  tell(await publish('A few less', Object.fromEntries(rows.map((r) => [r.number, 'nothing']))));
  told.push('editions/3?take=100', 'editions/3?take=100&since=stale', 'editions/3/differences?from=2', 'editions/pending?take=100');
  await look();
  const at = performance.now();
  const whole = await ask('GET', 'editions/3/file');
  console.log(`the file of edition 3, ${whole.records.length} records: ${((performance.now() - at) / 1000).toFixed(1)} s`);
  const before = megabytes();
  for (let i = 0; i < MORE; i++) {
    const takes = Object.fromEntries(rows.slice(i, i + 10).map((r) => [r.number, 'nothing']));
    const e = await publish(`Number ${i}`, takes);
    if (i === MORE - 1) tell(e);
  }
  console.log(`${MORE} more editions that large: database + ${(megabytes() - before).toFixed(0)} MB`);
  await look();
  console.log(`resident ${memory('VmRSS').toFixed(0)} MB, peak ${memory('VmHWM').toFixed(0)} MB`);
} finally {
  stop();
}
