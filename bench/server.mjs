// A built server on loopback with the demo workshop and a database of its own, for measuring; gone when it is stopped.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

export const root = resolve(import.meta.dirname, '..');
const host = `${root}/src/Incisura.Web`;

export async function startServer(port, data = mkdtempSync(join(tmpdir(), 'incisura-load-'))) {
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

  function call(method, path, body, cookie, type = 'application/json', revision) {
    return new Promise((done, fail) => {
      const req = request(
        {
          port,
          host: '127.0.0.1',
          method,
          path,
          agent,
          headers: { ...(body && { 'content-type': type }), ...(cookie && { cookie }), ...(revision && { 'if-match': `"${revision}"` }) },
        },
        (res) => {
          let text = '';
          res.on('data', (chunk) => (text += chunk));
          res.on('end', () => done({ status: res.statusCode, text, cookie: res.headers['set-cookie']?.[0]?.split(';')[0] }));
        },
      );
      req.on('error', fail);
      req.end(body);
    });
  }

  const stop = (keep = false) => {
    server.kill('SIGKILL');
    if (!keep) rmSync(data, { recursive: true, force: true });
  };
  const memory = (what) => Number(new RegExp(`${what}:\\s+(\\d+)`).exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))[1]) / 1024;
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
    return { data, call, cookie, stop, memory };
  } catch (error) {
    stop();
    throw error;
  }
}
