// Reads what the runners wrote: CTRF from xUnit, the own JSON of Vitest and of Playwright. `line FILE` says what came of one, with its failures;
// `total FILE …` adds them up.
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';

const bare = (text) => (text ?? '').replace(/\u001b\[[0-9;]*m/g, '').trim();
const specsIn = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsIn)];

/** What one runner wrote: counts, seconds, and each failure with its name and reason. */
function read(file) {
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    const ran = report.results ? ofXunit(report.results) : report.stats ? ofPlaywright(report) : ofVitest(report);
    if (ran.passed + ran.failures.length === 0) ran.failures.push(['', 'the runner ran no test']);
    return ran;
  } catch (error) {
    return {
      passed: 0,
      skipped: 0,
      seconds: 0,
      failures: [['', `the runner left no result (${error.message}); see ${file.replace('.json', '.log')}`]],
    };
  }
}

const ofXunit = ({ summary, tests }) => ({
  passed: summary.passed,
  skipped: summary.skipped + summary.pending,
  seconds: (summary.stop - summary.start) / 1000,
  failures: tests
    .filter((t) => !['passed', 'skipped', 'pending'].includes(t.status))
    .map((t) => [t.name, `${bare(t.message)}\n${bare(t.trace)}`]),
});

const ofVitest = ({ testResults, numPassedTests, numPendingTests, numTodoTests }) => ({
  passed: numPassedTests,
  skipped: numPendingTests + numTodoTests,
  seconds: (Math.max(...testResults.map((f) => f.endTime)) - Math.min(...testResults.map((f) => f.startTime))) / 1000,
  failures: testResults.flatMap((f) =>
    f.status === 'failed' && f.assertionResults.length === 0
      ? [[basename(f.name), bare(f.message)]]
      : f.assertionResults.filter((t) => t.status === 'failed').map((t) => [t.fullName, bare(t.failureMessages.join('\n'))]),
  ),
});

const ofPlaywright = ({ stats, suites, errors }) => ({
  passed: stats.expected,
  skipped: stats.skipped,
  seconds: stats.duration / 1000,
  failures: [
    ...errors.map((e) => ['', bare(e.message)]),
    ...suites
      .flatMap(specsIn)
      .filter((s) => !s.ok)
      .map((s) => [`${s.file}: ${s.title}`, bare(s.tests.flatMap((t) => t.results.flatMap((r) => r.errors.map((e) => e.message)))[0])]),
  ],
});

const [what, ...files] = process.argv.slice(2);
const all = files.map(read);
const sum = (of) => all.reduce((total, ran) => total + of(ran), 0);
const [passed, failed, skipped] = [sum((r) => r.passed), sum((r) => r.failures.length), sum((r) => r.skipped)];
const counts = `${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}`;
if (what === 'line') {
  console.log(`${basename(files[0], '.json').padEnd(9)} ${counts}, ${Math.round(all[0].seconds)} s`);
  for (const [name, reason] of all[0].failures) console.log(`  ✘ ${name}\n${reason.replace(/^/gm, '      ')}`);
} else {
  console.log(`Tests: ${counts}`);
  process.exit(failed === 0 && passed > 0 ? 0 : 1);
}
