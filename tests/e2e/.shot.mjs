import { chromium } from 'playwright-core';
const [,, who, w, h, ...rest] = process.argv;
const b = await chromium.launch({executablePath: '/usr/lib/chromium/chromium-headless-shell'});
const c = await b.newContext({viewport:{width:+w,height:+h}});
const r = await c.request.post('http://127.0.0.1:5999/api/v1/session/demo/'+who);
if(!r.ok()) console.log(r.status(), await r.text());
const p = await c.newPage();
p.on('console', m=>{ if(m.type()==='error') console.log(m.text()); });
for (let i=0;i<rest.length;i+=2){ await p.goto('http://127.0.0.1:5999'+rest[i]); await p.waitForTimeout(2500); await p.waitForFunction(()=>!('busy' in document.documentElement.dataset)).catch(()=>{}); await p.screenshot({path:rest[i+1]}); }
await b.close();
