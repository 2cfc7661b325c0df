import type { Page } from 'puppeteer-core';
import {
  bringIn,
  bringInGeo,
  clickText,
  startStage,
  typeDay,
  waitForText,
  type Stage,
  visit,
} from './browser';
import { seriousProblems, watchPage } from './watch-page';

let stage: Stage;
let page: Page;
let complaints: string[];
let id = '';
const heading = () => page.$eval('h1', (h) => h.innerText);
const type = async (selector: string, text: string) => {
  await page.focus(selector);
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.type(text);
};
beforeAll(async () => {
  stage = await startStage();
  page = await stage.open('/bring-in');
  complaints = await watchPage(page);
  id = await bringInGeo(page);
  await visit(page, `${stage.address}/shells/${id}/comb`);
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'What students would notice first');
});
afterAll(() => stage.close());

test('the three answers of a check that found nothing are told apart', async () => {
  await waitForText(page, '73 checks');
  const open = (words: string) =>
    page.$$eval('summary', (all, w) => all.find((e) => e.innerText.includes(w))?.click(), words);
  await open('not applicable here');
  await waitForText(page, 'no calendar was given');
  await open('found nothing');
  expect(await seriousProblems(page)).toEqual([]);
});

test('a check’s page says what it means, and what another setting would change here', async () => {
  await visit(page, `${stage.address}/checks/outdated.date-outside-term`);
  await waitForText(page, 'Why it matters');
  await type('input[type=number]', '600');
  await page.waitForFunction(
    () =>
      document.querySelector('[data-testid=live-effect]')?.textContent ===
      'These rules would change 5 findings: 5 fewer.',
    { timeout: 120_000 },
  );
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Back to what is kept');
  await page.waitForFunction(
    () =>
      document.querySelector('[data-testid=live-effect]')?.textContent ===
      'These rules would change nothing.',
  );
});

test('house rules: a phrase of one’s own, its effect, and the shell says that it was combed by other rules', async () => {
  await visit(page, `${stage.address}/house-rules`);
  await waitForText(page, 'Lists of your house');
  expect(await seriousProblems(page)).toEqual([]);
  const phrases = await page.$$eval('label', (all) =>
    all.find((l) => l.innerText.startsWith('Leftover phrases'))?.getAttribute('for'),
  );
  await type(`[id="${phrases}"]`, 'legend');
  await page.waitForFunction(
    () =>
      /would change \d+ findings?: \d+ more/.test(
        document.querySelector('[data-testid=live-effect]')?.textContent ?? '',
      ),
    { timeout: 120_000 },
  );
  await clickText(page, 'button', 'Save');
  await waitForText(page, 'The house rules are kept');
  const kept = await page.evaluate(async () => (await (await fetch('/api/house-rules')).json()) as unknown);
  expect(kept).toEqual({ schema: 'currycomb.house-rules/1', leftoverPhrases: ['legend'] });
  await visit(page, `${stage.address}/shells/${id}/comb`);
  await waitForText(page, 'The house rules were changed since');
  await clickText(page, 'button', 'Comb again');
  await waitForText(page, 'phrase of a former system');
  expect(
    await page.evaluate(() => document.body?.innerText.includes('The house rules were changed since')),
  ).toBe(false);
  expect(await heading()).toMatch(/\d/);
});

test('rules that make no sense are refused with one sentence that names the setting', async () => {
  const answers = await page.evaluate(async () => {
    const put = async (rules: unknown) => {
      const response = await fetch('/api/house-rules', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(rules),
      });
      return [response.status, ((await response.json()) as { trouble: string }).trouble] as const;
    };
    return [
      await put({ leftoverPhrase: [] }),
      await put({ checks: { 'outdated.date-outside-term': { days: -1 } } }),
    ];
  });
  expect(answers[0]).toEqual([
    422,
    expect.stringMatching(/"leftoverPhrase" .* nearest one is "leftoverPhrases"/),
  ]);
  expect(answers[1]).toEqual([422, expect.stringMatching(/outdated\.date-outside-term\.days/)]);
});

test('a term of the house: set on the screen, offered where a shell is brought in, and used where nobody said one', async () => {
  await visit(page, `${stage.address}/house-rules`);
  await waitForText(page, 'Add a term');
  await clickText(page, 'button', 'Add a term');
  const field = async (label: string) =>
    (await page.waitForSelector(
      `::-p-xpath(//fieldset[@aria-label]//label[starts-with(., "${label}")]/following-sibling::div//input)`,
    ))!;
  await (await field('Title')).type('Spring 2027');
  await typeDay(page, '[data-day="First day"]', '2027-01-11');
  await typeDay(page, '[data-day="Last day"]', '2027-05-07');
  const days = await field('No class on');
  await days.type('2027-03-19..2027-03-15');
  await waitForText(page, 'ends before it begins');
  await days.click({ count: 3 });
  await days.type('2027-03-15..2027-03-19');
  expect(await seriousProblems(page)).toEqual([]);
  await clickText(page, 'button', 'Save');
  await waitForText(page, 'The house rules are kept');
  const kept = (await page.evaluate(
    async () => (await (await fetch('/api/house-rules')).json()) as unknown,
  )) as { terms: { title: string; noClass: string[] }[] };
  expect(kept.terms).toEqual([
    {
      title: 'Spring 2027',
      start: '2027-01-11',
      end: '2027-05-07',
      noClass: ['2027-03-15', '2027-03-16', '2027-03-17', '2027-03-18', '2027-03-19'],
    },
  ]);
  await visit(page, `${stage.address}/bring-in`);
  await waitForText(page, 'Term of the house');
  await page.click('[role=combobox]');
  await clickText(page, '[role=option]', 'Spring 2027');
  await page.waitForFunction(
    () => document.querySelector<HTMLInputElement>('input[name=termStart]')?.value === '2027-01-11',
  );
  await visit(page, `${stage.address}/bring-in`);
  const other = await bringIn(
    page,
    { package: 'geo-130/GEO-130.zip' },
    { code: 'GEO 130', asOf: '2027-01-04' },
  );
  await waitForText(
    page,
    'the term is “Spring 2027” of the house rules, which give its first and last day and its days without class',
  );
  await visit(page, `${stage.address}/shells/${other}/comb`);
  await clickText(page, 'button', 'Comb GEO 130');
  await waitForText(page, 'What students would notice first');
  expect(await page.evaluate(() => document.body?.innerText.includes('The term’s dates are not known'))).toBe(
    false,
  );
});

test('with keys alone a check is switched off and on', async () => {
  await visit(page, `${stage.address}/checks/orphan.empty-module`);
  await waitForText(page, 'Its settings here');
  await page.focus('input[role=switch], input[type=checkbox]');
  await page.keyboard.press('Space');
  await page.waitForFunction(
    () => /2 fewer/.test(document.querySelector('[data-testid=live-effect]')?.textContent ?? ''),
    { timeout: 120_000 },
  );
  await page.keyboard.press('Space');
  await page.waitForFunction(
    () =>
      document.querySelector('[data-testid=live-effect]')?.textContent ===
      'These rules would change nothing.',
  );
  expect(complaints.filter((c) => !/422/.test(c))).toEqual([]);
});
