import { chromium } from '@playwright/test';
import { CHROMIUM } from './scripts/chromium.mjs';
const [, , ...list] = process.argv;
const b = await chromium.launch(CHROMIUM);
const size = (process.env.SIZE ?? '1280x800').split('x').map(Number);
const p = await b.newPage({ viewport: { width: size[0]!, height: size[1]! } });
for (const item of list) {
  const [path, out, ...clicks] = item.split('::');
  const url = /^[a-z-]+\|/.test(path!) ? null : path;
  let u = path!;
  const m = /^~(.+?)(\?.*)?$/.exec(path!);
  if (m) { const all = (await (await p.request.get('http://127.0.0.1:3000/api/pieces')).json()).pieces; u = `/piece/${all.find((x: any) => x.piece.name.startsWith(m[1])).id}${m[2] ?? ''}`; }
  await p.goto('http://127.0.0.1:3000' + u);
  await p.waitForTimeout(500);
  await p.locator('[data-settled="true"]').first().waitFor({ timeout: 30000 }).catch(() => {});
  for (const c of clicks) { await p.locator(c).first().click(); await p.waitForTimeout(400); }
  await p.waitForTimeout(2500);
  await p.screenshot({ path: out });
  const n = await p.evaluate(`(() => { const a = document.querySelector('main section[aria-label]'); return a ? { panel: a.scrollHeight, shown: a.clientHeight, controls: [...a.querySelectorAll('input,select,button,textarea,a,summary')].filter((e) => e.offsetParent !== null).length } : null; })()`);
  console.log(out, JSON.stringify(n));
}
await b.close();
