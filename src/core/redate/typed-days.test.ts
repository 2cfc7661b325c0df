import { emptyShell } from '@/core/shell/empty-shell';
import { blankItem } from '@/core/shell/blank-item';
import { contentId, filePath, itemRef } from '@/core/refs/refs';
import type { Content, Shell } from '@/core/shell/model';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { makeSteps } from '@/core/plan/make-steps';
import { runPlan } from '@/core/plan/run-plan';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { plainAsk } from './ask';
import { redate, redatingSteps } from './redate';
import { respellDay } from './respell-day';

const day = (text: string) => text as LocalDate;

test.each([
  ['14 October 2025', '25 February 2027'],
  ['Tuesday, 14 October 2025', 'Thursday, 25 February 2027'],
  ['Tue., Oct. 14th', 'Thu., Feb. 25th'],
  ['October 14, 2025', 'February 25, 2027'],
  ['TUESDAY 14 OCT', 'THURSDAY 25 FEB'],
  ['14th of October', '25th of February'],
  ['2025-10-14', '2027-02-25'],
  ['14/10/2025', '25/2/2027'],
  ['10/14/2025 (Tuesday)', '2/25/2027 (Thursday)'],
  ['14.10.2025', '25.2.2027'],
  ['10/14/25', '2/25/27'],
])('%s is spelled anew as %s', (words, anew) => {
  expect(respellDay(words, day('2025-10-14'), day('2027-02-25'))).toBe(anew);
});

test('words that name several days stay', () => {
  expect(respellDay('October 14-16', day('2025-10-14'), day('2027-02-25'))).toBe('October 14-16');
});

const html =
  '<p>Bring waders. Hand in the sheet by <b>Tuesday</b>, 14 October 2025, before noon.</p>' +
  '<p>The gauge was built on 14 October 1925.</p><blockquote>“Read on 15 October 2025.”</blockquote>' +
  '<table><tr><td>Visit</td><td>16 October 2025</td></tr></table>';

function shellWith(due: string | null): Shell {
  const content: Content = {
    id: contentId('c'),
    kind: 'page',
    type: 'webcontent',
    href: filePath('lab.html'),
    files: [filePath('lab.html')],
    dependencies: [],
    intendedUse: null,
    staffOnly: false,
    texts: [html],
    textPath: filePath('lab.html'),
    target: null,
    title: '',
    points: null,
    answerKey: '',
    questions: [],
    bankIdent: null,
    bankRefs: [],
    attributes: {},
    extraXml: [],
  };
  const lab = {
    ...blankItem,
    ref: itemRef('lab'),
    kind: 'page' as const,
    title: 'Lab',
    placed: true,
    content: content.id,
    due: due as LocalDateTime | null,
  };
  return {
    ...emptyShell,
    term: { title: '', start: day('2027-01-11'), end: day('2027-05-07') },
    previousTerm: { title: '', start: day('2025-08-25'), end: day('2025-12-12') },
    items: [lab],
    contents: [content],
  };
}

test('days typed in the text of a shifted page are offered, with their sentence', () => {
  const redating = redate(shellWith('2025-10-14T12:00:00'), plainAsk);
  expect(redating.ok && redating.value.typed).toEqual([
    {
      ref: 'lab',
      title: 'Lab',
      sentence: 'Hand in the sheet by Tuesday, 14 October 2025, before noon.',
      old: 'Tuesday, 14 October 2025',
      new: 'Tuesday, 2 March 2027',
    },
    {
      ref: 'lab',
      title: 'Lab',
      sentence: 'Visit 16 October 2025',
      old: '16 October 2025',
      new: '4 March 2027',
    },
  ]);
});

test('they are changed where that is asked for, markup aside, and nothing else is', () => {
  const shell = shellWith('2025-10-14T12:00:00');
  const redating = redate(shell, plainAsk);
  if (!redating.ok) throw new Error(redating.trouble.message);
  const run = (withTyped: boolean) => {
    const steps = redatingSteps(shell, redating.value, withTyped);
    return runPlan(shell, steps.ok ? steps.value : [], defaultHouseRules(allChecks)).after.contents[0]
      ?.texts[0];
  };
  expect(run(false)).toBe(html);
  const text = run(true) ?? '';
  expect(text).toContain('2 March 2027, before noon.');
  expect(text).toContain('14 October 1925');
  expect(text).toContain('Read on 15 October 2025');
  expect(text).toContain('<td>4 March 2027</td>');
  expect(makeSteps(shell, redating.value.typedSteps).ok).toBe(true);
});

test('a page that is not shifted keeps its days', () => {
  const redating = redate(shellWith(null), plainAsk);
  expect(redating.ok && redating.value.typed).toEqual([]);
});
