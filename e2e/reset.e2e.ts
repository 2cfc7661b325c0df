import type { Page } from 'puppeteer-core';
import { bringInGeo, clickText, startStage, waitForText, type Stage, visit } from './browser';
import { inColours, seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
let before: readonly (string | null)[] = [];
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  id = await bringInGeo(page);
  await goTo('comb');
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'empty grade categories');
  before = await counts();
});
afterAll(() => stage.close());

const goTo = (path: string) => visit(page, `${stage.address}/shells/${id}/${path}`);
/** What stands now and after in a row of the areas. */
const countsOf = (area: string) =>
  page.$$eval(
    'tbody tr',
    (rows, name) => {
      const row = rows.find((one) => one.querySelector('th')?.textContent?.trim() === name);
      return [...(row?.querySelectorAll('td.number') ?? [])].map((cell) => cell.textContent);
    },
    area,
  );
/** The large counts of the inventory. */
const counts = async () => {
  await goTo('bring-in');
  await waitForText(page, 'Intake report');
  return page.$$eval('main ul li a strong', (figures) => figures.map((figure) => figure.textContent));
};

test('areas with their counts; what is kept keeps its module, and the number goes down', async () => {
  await goTo('carry-out');
  await clickText(page, 'a', 'reset it');
  await waitForText(page, 'things would go');
  expect((await countsOf('Everything in the outline'))[1]).toBe('0');
  expect(await countsOf('Groups')).toHaveLength(2);
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'dark');
  expect(await seriousProblems(page)).toEqual([]);
  await inColours(page, 'light');
  await page.type('::-p-aria([name="Exceptions to keep"][role="combobox"])', 'Your map');
  await clickText(page, '[role=option]', 'Your map');
  await page.waitForFunction(() => document.body?.innerText.includes('stay since these need them'));
  expect(Number((await countsOf('Everything in the outline'))[1])).toBeGreaterThan(0);
});

test('it is armed by the code and by the number of things with student work, and by nothing less', async () => {
  const isOff = () => page.$eval('form button[type=submit]', (button) => button.disabled);
  expect(await isOff()).toBe(true);
  await page.type('::-p-aria([name="Type GEO 130 to arm it"])', 'GEO 130');
  const number = await page.evaluate(() => /Type (\d+), the things/.exec(document.body.innerText)?.[1] ?? '');
  if (number !== '') {
    expect(await isOff()).toBe(true);
    await page.type(`::-p-aria([name="Type ${number}, the things with student work"])`, number);
  }
  await page.waitForFunction(
    () => !document.querySelector<HTMLButtonElement>('form button[type=submit]')?.disabled,
  );
});

test('it is rehearsed and carried out; what was kept is left, and it all comes back', async () => {
  await clickText(page, 'button', 'Rehearse the reset of');
  await clickText(page, 'button', 'Carry out');
  await page.waitForFunction(() => /\/(prove|carry-out)$/.test(location.pathname), { timeout: 120_000 });
  await goTo('carry-out/reset');
  await waitForText(page, 'would go');
  const [now] = await countsOf('Everything in the outline');
  expect(Number(now)).toBeGreaterThan(0);
  expect(Number(now)).toBeLessThan(5);
  expect((await countsOf('Grade columns and categories'))[0]).toMatch(/^[0-3]$/);
  await goTo('carry-out');
  await clickText(page, 'button', 'Take back this run');
  await waitForText(page, 'The last run was taken back');
  expect(await counts()).toEqual(before);
});

test('the pages had nothing to complain about', () => {
  expect(complaints).toEqual([]);
});
