import { chromium } from '@playwright/test';
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--enable-unsafe-swiftshader',
  ],
});
process.on('uncaughtException', (e) => {
  console.error(String(e).slice(0, 200));
  process.exit(1);
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (e) => console.error('PAGEERROR', String(e)));
page.on('console', (m) => {
  if (m.type() === 'error') console.error('CONSOLE', m.text().slice(0, 300));
});
const address = 'http://127.0.0.1:3000';
const pieceOf = async (name) => {
  await page.goto(address);
  return (await page.getByRole('link', { name }).first().getAttribute('href')).split('?')[0];
};
for (const [file, name, look] of JSON.parse(process.argv[2])) {
  const p = await pieceOf(new RegExp(name));
  await page.goto(address + p + '?stage=cover');
  await page.locator('[data-slip]').first().waitFor({ timeout: 60000 });
  await page.locator('[data-settled="true"]').waitFor({ timeout: 60000 });
  if (look && look !== 'On the piece') await page.getByRole('button', { name: look, exact: true }).click();
  await page.waitForTimeout(700);
  await page.screenshot({ path: `/tmp/${file}.png` });
}
await browser.close();
