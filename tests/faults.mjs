// Puts each fault of tests/faults.json into a clone, one at a time, and says which test finds it: `make faults`, or `node tests/faults.mjs page/`
// for those whose room begins so. A fault that nothing finds ends it with 1. Journeys are not run: what they alone would find counts as not found.
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '..');
const only = process.argv[2] ?? '';
const faults = JSON.parse(readFileSync(join(root, 'tests/faults.json'), 'utf8')).filter((f) => f.room.startsWith(only));
const place = join(mkdtempSync(join(tmpdir(), 'incisura-faults-')), 'main');
execFileSync('git', ['clone', '-q', root, place]);
cpSync(join(root, 'src/Incisura.Web/wwwroot'), join(place, 'src/Incisura.Web/wwwroot'), { recursive: true });
for (const part of ['web', 'tests/web', 'tests/e2e']) symlinkSync(join(root, 'web/node_modules'), join(place, part, 'node_modules'));

const run = (command, args, cwd = place, env = {}) =>
  spawnSync(command, args, { cwd, env: { ...process.env, ...env }, encoding: 'utf8', maxBuffer: 1 << 28 });
const FAILED = /^\s*(\S.*) \[FAIL\]/m;

// The test that failed first; the compiler's word where it refuses; nothing where all passed.
function ofUnits(projects) {
  for (const project of projects) {
    const folder = `tests/Incisura.${project}.Tests`;
    const build = run('dotnet', [
      'build',
      folder,
      '-c',
      'Release',
      '-v',
      'q',
      '--nologo',
      '-p:RunAnalyzers=false',
      '-p:OpenApiGenerateDocuments=false',
    ]);
    if (build.status !== 0) return `the compiler: ${build.stdout.split('\n').find((l) => l.includes('error'))}`;
    const filled = project === 'Web' ? run('node', ['tests/filled.cjs']) : { status: 0, stdout: '' };
    if (filled.status !== 0) return 'the demo workshop, which cannot be filled';
    const tests = run(
      'dotnet',
      [`${folder}/bin/Release/net10.0/Incisura.${project}.Tests.dll`, '-noColor', '-noLogo', '-stopOnFail'],
      place,
      {
        INCISURA_FILLED: filled.stdout.trim(),
      },
    );
    if (tests.status !== 0) return FAILED.exec(tests.stdout)?.[1] ?? tests.stdout.slice(-300);
  }
  return '';
}

function ofPage() {
  const tests = run(join(root, 'web/node_modules/.bin/vitest'), ['run', '--bail=1', '--maxWorkers=1'], join(place, 'tests/web'), {
    NO_COLOR: '1',
  });
  return tests.status === 0 ? '' : (/FAIL\s+(.*)/.exec(tests.stdout + tests.stderr)?.[1] ?? tests.stderr.slice(-300));
}

let missed = 0;
for (const fault of faults) {
  const file = join(place, fault.file);
  const sound = existsSync(file) ? readFileSync(file, 'utf8') : '';
  if (sound.split(fault.find).length !== 2) throw new Error(`${fault.file} does not hold “${fault.find}” once: mend tests/faults.json`);
  writeFileSync(
    file,
    sound.replace(fault.find, () => fault.put),
  );
  const by = fault.room.startsWith('page/') ? ofPage() : ofUnits(fault.room.startsWith('core/') ? ['Core', 'Web'] : ['Web']);
  writeFileSync(file, sound);
  if (!by) missed++;
  console.log(`${fault.room.padEnd(18)} ${fault.file.split('/').at(-1)}: ${by ? `found by ${by}` : 'NOT FOUND'}`);
}
console.log(`${faults.length - missed} of ${faults.length} found`);
process.exitCode = missed ? 1 : 0;
