// Many readers: how many of them a web server serves from a folder that was laid out, over how many the server itself answers in Lookup,
// 20 at a time in one run on loopback.
import { execFileSync, spawn } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, startServer } from './server.mjs';

const port = 5096;
const { data, cookie, stop } = await startServer(port);
const folder = join(data, 'laid');
const web = join(data, 'nginx');
mkdirSync(web);
const run = (path, at, headers = []) => {
  const said = execFileSync('wrk', ['-t1', '-c20', '-d6', ...headers.flatMap((h) => ['-H', h]), `http://127.0.0.1:${at}${path}`], {
    encoding: 'utf8',
  });
  if (/Non-2xx/.test(said)) throw new Error(said);
  return Number(/Requests\/sec:\s+([\d.]+)/.exec(said)[1]);
};
let nginx;
try {
  execFileSync('dotnet', [`${root}/src/Incisura.Web/bin/Release/net10.0/Incisura.Web.dll`, 'lay-out', folder], {
    env: { ...process.env, Incisura__Database: join(data, 'incisura.db'), Incisura__LayOut__SignIn: 'false' },
  });
  writeFileSync(
    join(web, 'nginx.conf'),
    `pid ${web}/pid; error_log ${web}/error.log; events {} worker_processes 1; daemon off; user root;
http { access_log off; client_body_temp_path ${web}/b; proxy_temp_path ${web}/p; fastcgi_temp_path ${web}/f; uwsgi_temp_path ${web}/u;
scgi_temp_path ${web}/s; server { listen 127.0.0.1:5095; include ${folder}/nginx.conf; } }`,
  );
  nginx = spawn('nginx', ['-c', join(web, 'nginx.conf')], { stdio: 'inherit' });
  await new Promise((done) => setTimeout(done, 1000));
  const part = '/editions-read/edition-1-machine-1.json';
  run('/api/v1/lookup?q=A-1042', port, [`cookie: ${cookie}`]);
  const own = run('/api/v1/lookup?q=A-1042', port, [`cookie: ${cookie}`]);
  const laid = run(part, 5095);
  console.log(
    `Lookup answers ${own.toFixed(0)} a second, a laid-out part is served ${laid.toFixed(0)} times: ${(laid / own).toFixed(1)} ×`,
  );
} finally {
  nginx?.kill();
  stop();
}
