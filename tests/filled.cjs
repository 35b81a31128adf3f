// The demo workshop, filled once and kept under the hash of all it is made from; prints its folder, which is to be copied, never opened.
// One function for every runner: `node tests/filled.cjs`, or imported.
const { spawn } = require('node:child_process');
const { createHash } = require('node:crypto');
const { chmodSync, cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync } = require('node:fs');
const { createServer } = require('node:net');
const { join, resolve } = require('node:path');

const root = resolve(__dirname, '..');
const host = join(root, 'src/Incisura.Web');
/** Where the program was built. */
const built = join(host, 'bin/Release/net10.0');
const kept = join(root, 'artifacts/filled');

/** The hash of what the workshop is made from: the demo's data, the program that fills it with its migrations, and the day it tells from. */
function hashOf() {
  const hash = createHash('sha256').update(new Date().toISOString().slice(0, 10));
  const parts = (folder, which) =>
    readdirSync(folder)
      .filter((f) => which.test(f))
      .sort()
      .map((f) => join(folder, f));
  for (const file of [...parts(join(root, 'demo'), /\.json$/), ...parts(built, /^Incisura\..*\.dll$/)]) hash.update(readFileSync(file));
  return hash.digest('hex').slice(0, 16);
}

/** A port nobody listens on. */
const freePort = () =>
  new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => done(port));
    });
  });

/** Starts the built program on a folder's database as the demo, and waits until it can be worked with. */
async function serve(folder, settings = {}) {
  const address = `http://127.0.0.1:${await freePort()}`;
  const server = spawn('dotnet', [join(built, 'Incisura.Web.dll'), '--urls', address, '--contentRoot', host], {
    env: {
      ...process.env,
      Incisura__Demo: 'true',
      Incisura__DemoData: join(root, 'demo'),
      Incisura__Database: join(folder, 'incisura.db'),
      Serilog__MinimumLevel__Default: 'Fatal',
      ...settings,
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const ended = new Promise((done) => server.once('exit', done));
  for (const from = Date.now(); ; await new Promise((later) => setTimeout(later, 50))) {
    if (server.exitCode !== null) throw new Error(`the server ended by itself with ${server.exitCode}`);
    if (Date.now() - from > 90_000) throw new Error('the server did not start');
    if (
      await fetch(`${address}/health`).then(
        (r) => r.ok,
        () => false,
      )
    )
      break;
  }
  return {
    address,
    stop: (signal) => {
      server.kill(signal);
      return ended;
    },
  };
}

/** The folder of the filled workshop: `incisura.db` and its keys. */
async function filled() {
  const folder = join(kept, hashOf());
  if (existsSync(folder)) return folder;
  mkdirSync(kept, { recursive: true });
  const part = mkdtempSync(join(kept, 'part-'));
  const server = await serve(part);
  await server.stop('SIGTERM');
  for (const rest of readdirSync(part)) if (/\.(lock|sock)$|-shm$/.test(rest)) rmSync(join(part, rest), { force: true });
  try {
    renameSync(part, folder);
  } catch (error) {
    // Somebody else was faster, with the same.
    rmSync(part, { recursive: true });
    if (!existsSync(folder)) throw error;
  }
  for (const old of readdirSync(kept))
    if (!folder.endsWith(old) && !old.startsWith('part-')) rmSync(join(kept, old), { recursive: true, force: true });
  return folder;
}

/** A copy of it in a folder that its owner alone reads. */
async function copyInto(folder) {
  cpSync(await filled(), folder, { recursive: true });
  chmodSync(folder, 0o700);
}

module.exports = { built, copyInto, filled, serve };
if (require.main === module) filled().then(console.log);
