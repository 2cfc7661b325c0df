import { readdirSync } from 'node:fs';
import * as fc from 'fast-check';
import { runs } from '@/core/__tests__/runs';
import { spoiledDocument, spoiledJson, spoiledText } from '@/core/__tests__/spoiled';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { readAnswers } from '@/formats/question-sheet/read-answers';
import { auditShell } from '@/services/do/packages/audit-shell';
import { draftPlanFile } from '@/services/do/drafts/draft-plan-file';
import { planFile } from '@/services/do/decide/plan-file';
import { rulesFrom, type WrittenRules } from '@/services/keep/rules/written-rules';
import { blobHash } from '@/services/keep/shells/kept-state';
import { loadShell } from '@/store/state/keep-shell';
import { cluttered } from './cluttered';
import { DataFolder } from './data-folder';
import { oneSentence } from '@/core/__tests__/one-sentence';

// Documents of strangers that are taken in beside a shell: a plan, house rules, answers to a question sheet. Whatever was
// spoiled in them, they are read or refused with a sentence.
jest.setTimeout(3_600_000);
let data: DataFolder;
let id = '';
beforeAll(async () => {
  data = new DataFolder();
  id = await data.bringIn(cluttered);
  await data.comb(id);
  await data.plan(id, { action: 'delete', targets: ['e1'], params: {} });
  await data.plan(id, { action: 'rename', targets: ['o'], params: { titles: { o: 'Outlook for spring' } } });
});
afterAll(() => data.close());

/** Counts what was taken, and holds that what was refused has its sentence. */
class Outcomes {
  taken = 0;
  refused = 0;

  count(
    outcome: { readonly ok: true } | { readonly ok: false; readonly trouble: { message: string } },
  ): void {
    if (outcome.ok) {
      this.taken += 1;
      return;
    }
    this.refused += 1;
    expect(outcome.trouble.message).toMatch(oneSentence);
  }

  expectBoth(): void {
    expect(this.taken).toBeGreaterThan(5);
    expect(this.refused).toBeGreaterThan(5);
  }
}

test('a spoiled plan file is tried or refused', () => {
  const outcomes = new Outcomes();
  const valid = planFile(data.context, data.now(id));
  fc.assert(
    fc.property(spoiledJson(valid), (text) => {
      const drafted = draftPlanFile(data.context, data.now(id), text);
      outcomes.count(drafted);
      if (drafted.ok) for (const told of drafted.value.told.unread) expect(told).toMatch(oneSentence);
    }),
    { numRuns: runs(20_000, 300) },
  );
  outcomes.expectBoth();
  expect(readdirSync(data.folder).filter((name) => !name.endsWith('.imscc'))).toEqual(['data']);
});

test('spoiled house rules are combed by or refused', () => {
  const outcomes = new Outcomes();
  const shell = loadShell(data.context.blobs, blobHash.parse(data.now(id).version.stateBlob));
  const valid = JSON.parse(JSON.stringify(defaultHouseRules(allChecks))) as unknown;
  fc.assert(
    fc.property(spoiledDocument(valid), (document) => {
      const read = rulesFrom(document as WrittenRules);
      outcomes.count(read);
      if (!read.ok) return;
      const audit = auditShell(shell, read.value);
      expect(audit.checks.filter(({ outcome }) => outcome.state === 'could-not-run')).toEqual([]);
    }),
    { numRuns: runs(20_000, 80) },
  );
  outcomes.expectBoth();
});

const questions = Array.from({ length: 30 }, (_, n) => ({
  id: `q${n}`,
  findings: [String(n).padStart(12, '0')],
  answer: n % 3 === 2 ? 'no' : 'yes',
  note: '',
}));
const saved = { schema: 'currycomb.answers/1', answers: questions };
const savedPage = `<!doctype html><p>Thank you</p><script type="application/json" id="answers">${JSON.stringify(saved)}</script>`;
const savedTable = `question,asks,answer,note,findings\r\n${questions
  .map(({ id, answer, findings }) => `${id},Is it still needed?,${answer},,${findings.join(' ')}\r\n`)
  .join('')}`;

test.each([
  ['page', savedPage],
  ['table', savedTable],
])('a spoiled question sheet, as a %s, is read or refused', (_, valid) => {
  const outcomes = new Outcomes();
  fc.assert(
    fc.property(spoiledText(valid), (text) => outcomes.count(readAnswers(text))),
    { numRuns: runs(10_000, 500) },
  );
  outcomes.expectBoth();
});
