import { chromium } from '@playwright/test';
const [, , width, height, theme, ...pairs] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync'] });
const page = await browser.newPage({ viewport: { width: +width, height: +height }, colorScheme: theme });
page.on('pageerror', (e) => console.log('ERR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text().slice(0, 300)));
for (let i = 0; i < pairs.length; i += 2) {
  await page.goto('http://127.0.0.1:4700' + pairs[i]);
  await page.waitForTimeout(2500);
  const [path, scroll] = pairs[i + 1].split('@');
  if (scroll) await page.locator(scroll).first().scrollIntoViewIfNeeded();
  await page.screenshot({ path });
}
await browser.close();
