import { startStage, setField } from './browser';
const stage = await startStage();
const page = await stage.open('/bring-in');
await new Promise((r) => setTimeout(r, 800));
console.log(await page.$eval('[data-day=termStart]', (e) => e.outerHTML.slice(0, 3000)));
await setField(page, 'termStart', '2027-01-11');
console.log(await page.$eval('input[name=termStart]', (e) => (e as HTMLInputElement).value));
await page.screenshot({ path: '/tmp/shot-z.png' });
await stage.close();
