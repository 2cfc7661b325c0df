import puppeteer from 'puppeteer-core';
const browser = await puppeteer.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox'],
  headless: true,
});
const page = await browser.newPage();
await page.setViewport({ width: 1280, height: 800 });
page.on('console', (m) => {
  if (m.type() === 'error' || m.type() === 'warn') console.log('console', m.text());
});
page.on('pageerror', (e) => console.log('pageerror', String(e)));
const base = 'http://127.0.0.1:4171';
await page.goto(base, { waitUntil: 'networkidle0' });
const id = (await page.evaluate(
  `[...document.querySelectorAll('a')].map(a=>a.getAttribute('href')).find(h=>/shells\\//.test(h||'') && [...document.querySelectorAll('tr')].find(r=>r.innerHTML.includes(h) && /HYD 214(?!-)/.test(r.innerText)))`,
)) as string;
const sid = id.split('/')[2];
for (const [name, query] of process.argv
  .slice(2)
  .map((a) =>
    a.split('=', 2).length > 1 ? [a.slice(0, a.indexOf('=')), a.slice(a.indexOf('=') + 1)] : [a, ''],
  ) as [string, string][]) {
  await page.goto(`${base}/shells/${sid}/${query}`, { waitUntil: 'networkidle0' });
  await new Promise((r) => setTimeout(r, 700));
  await page.screenshot({ path: `/tmp/shot-${name}.png` });
  console.log(name, await page.url());
}
await browser.close();
