import { sheetHtml } from '@/formats/question-sheet/sheet-html';
import { leaveBes } from '@/store/schema';
import { decide, waitingFindings } from '@/services/do/decide/decisions';
import { planOf } from '@/services/keep/plan/plan';
import { questionSheet, readBackAnswers } from '@/services/do/decide/questions';
import { signOffOf } from '@/services/show/reports/shell-reports';
import { undecidedOf } from '@/services/keep/plan/undecided';
import { cluttered } from './cluttered';
import { DataFolder, must } from './data-folder';

let data: DataFolder;
beforeAll(() => {
  data = new DataFolder();
});
afterAll(() => data.close());

const fresh = async (code: string) => {
  const id = await data.bringIn(cluttered, code);
  await data.comb(id);
  return id;
};
const idsOf = (id: string, check: string) =>
  data
    .findings(id)
    .filter((finding) => finding.check === check)
    .map((finding) => finding.id);
const waitingIn = (id: string) =>
  waitingFindings(data.context, data.now(id)).map(({ finding, kind }) => [finding, kind]);

test('what is asked or put off is decided, survives a new combing, and is open again when that is said', async () => {
  const id = await fresh('WAI 1');
  const before = undecidedOf(data.context, data.now(id));
  const [first = '', second = ''] = idsOf(id, 'orphan.empty-module');
  must(decide(data.context, data.now(id), { decision: 'ask', findings: [first] }));
  const patch = must(decide(data.context, data.now(id), { decision: 'later', findings: [second] }));
  expect(patch.state).toBe('later');
  expect(patch.undecided).toBe(before - 2);
  await data.comb(id);
  expect(waitingIn(id).sort()).toEqual(
    [
      [first, 'ask'],
      [second, 'later'],
    ].sort(),
  );
  must(decide(data.context, data.now(id), { decision: 'accept', findings: [second] }));
  must(decide(data.context, data.now(id), { decision: 'reopen', findings: [first] }));
  expect(waitingIn(id)).toEqual([]);
  expect(undecidedOf(data.context, data.now(id))).toBe(before - 1);
});

test('a sheet goes out, comes back answered, is shown, and is taken as decisions', async () => {
  const id = await fresh('WAI 2');
  const modules = idsOf(id, 'orphan.empty-module');
  const files = idsOf(id, 'orphan.unused-file');
  must(decide(data.context, data.now(id), { decision: 'ask', findings: [...modules, ...files] }));
  const sheet = questionSheet(data.context, data.now(id), '4 January 2027');
  expect(sheet.questions.map((question) => question.findings.length).sort()).toEqual(
    [modules.length, files.length].sort(),
  );
  const answers = sheet.questions.map(({ id: question, findings }) => ({
    id: question,
    findings,
    answer: findings.includes(modules[0] ?? '') ? 'yes' : 'no',
    note: 'says the owner',
  }));
  const text = sheetHtml(sheet).replace(
    /(id="answers">)[\s\S]*?(<\/script>)/,
    (_, open: string, close: string) =>
      `${open}${JSON.stringify({ schema: 'currycomb.answers/1', answers })}${close}`,
  );
  const shown = must(await readBackAnswers(data.context, data.now(id), { text, take: false }));
  expect(shown.lines.map((line) => line.becomes).sort()).toEqual(['accepted', 'left be']);
  expect(waitingIn(id)).toHaveLength(modules.length + files.length);
  must(await readBackAnswers(data.context, data.now(id), { text, take: true }));
  const table = signOffOf(data.context, data.now(id))?.tables.find(({ id: name }) => name === 'answers');
  expect(table?.rows.length).toBe(shown.lines.filter(({ findings }) => findings > 0).length);
  expect(waitingIn(id)).toEqual([]);
  expect(planOf(data.context.db, id).map((row) => row.findingId)).toEqual(expect.arrayContaining(modules));
  const reasons = data.context.db.select().from(leaveBes).all();
  expect(reasons.every(({ reason }) => reason === 'says the owner')).toBe(true);
  expect(reasons).toHaveLength(files.length);
});

test('answers about another shell are refused with one sentence', async () => {
  const id = await fresh('WAI 3');
  const text = 'question,answer,findings\nq,yes,0123456789ab\n';
  const result = await readBackAnswers(data.context, data.now(id), { text, take: true });
  expect(result.ok ? '' : result.trouble.message).toMatch(/is it the right shell/);
});
