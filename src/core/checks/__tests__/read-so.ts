import { itemRef } from '@/core/refs/refs';
import type { CheckRecord } from '@/core/checks/check/check';
import { event } from './make-event';
import {
  archive,
  arrived,
  assessed,
  at,
  categories,
  changedDate,
  column,
  dated,
  due,
  dueEvent,
  fileNamed,
  headed,
  integrity,
  linked,
  modules,
  nested,
  noClass,
  page,
  pair,
  provided,
  question,
  required,
  saying,
  stage,
  target,
  titled,
  twiceBroughtIn,
  twoQuestions,
  worked,
  type ReadingCase,
} from './reading-cases';

/** One sentence of how inputs are read, the check that shows it, and a case on each side of it. */
export interface ReadSo {
  readonly sentence: string;
  readonly check: CheckRecord['id'];
  readonly fires: readonly ReadingCase[];
  readonly silent: readonly ReadingCase[];
}

const texts: readonly ReadSo[] = [
  {
    sentence:
      'Text is what is inside body, without the title element; case, width and white space do not count.',
    check: 'duplicate.same-content',
    fires: [
      {
        name: 'another title element, capitals, no-break spaces, wide letters',
        build: (c) => {
          page(c, 'One', `<html><head><title>A</title></head><body><p>${stage}</p></body></html>`);
          page(c, 'Two', `<body>${stage.toUpperCase().replace(/ /g, '\u00a0').replace('G', 'Ｇ')}</body>`);
        },
      },
    ],
    silent: [
      {
        name: 'the same title element, another body',
        build: (c) => {
          page(c, 'One', `<html><head><title>A</title></head><body><p>${stage}</p></body></html>`);
          page(c, 'Two', `<html><head><title>A</title></head><body><p>${stage} Twice.</p></body></html>`);
        },
      },
    ],
  },
  {
    sentence: 'Titles are compared in NFKC, case-folded, with white space collapsed.',
    check: 'duplicate.grade-category',
    fires: [categories('Labs  one', ' LABS\u00a0one'), categories('Straße', 'STRASSE')],
    silent: [categories('Labs one', 'Labsone')],
  },
  {
    sentence: 'In file names _, - and . count as spaces, and the space before a year may be missing.',
    check: 'outdated.past-term-mention',
    fires: [fileNamed('plan_Spring_2025.txt'), fileNamed('plan-spring2025.txt')],
    silent: [fileNamed('plan_Spring_2027.txt'), fileNamed('offspring2025x.txt')],
  },
  {
    sentence: 'Forms that a check names are looked for before separators become spaces, and stay whole.',
    check: 'outdated.past-term-mention',
    fires: [fileNamed('seminar-plan_2021-22.odt')],
    silent: [fileNamed('log_2021-07.odt')],
  },
  {
    sentence: 'Words are looked for by full case folding, width and white space aside, and whole.',
    check: 'outdated.leftover-phrase',
    fires: [
      saying('Ask in the STRASSE 7.', { rules: { leftoverPhrases: ['Straße 7'] } }),
      saying('Ask at the Blue\u00a0\n DESK.', { rules: { leftoverPhrases: ['blue desk'] } }),
      saying('Ask at the ｂｌｕｅ ｄｅｓｋ.', { rules: { leftoverPhrases: ['blue desk'] } }),
      saying('Ask the oﬃce.', { rules: { leftoverPhrases: ['office'] } }),
    ],
    silent: [saying('Ask at the blue deskside.', { rules: { leftoverPhrases: ['blue desk'] } })],
  },
  {
    sentence: 'Words of the house rules in titles are found whole, in any case and width.',
    check: 'orphan.grade-column',
    fires: [
      {
        name: 'representation is no presentation',
        build: () => ({ gradeColumns: [column('Representation')] }),
      },
    ],
    silent: [
      {
        name: 'ＰＲＥＳＥＮＴＡＴＩＯＮ 2',
        build: () => ({ gradeColumns: [column('ＰＲＥＳＥＮＴＡＴＩＯＮ 2')] }),
      },
    ],
  },
  {
    sentence:
      'Seasons name a term in small letters in titles and file names, in running text only with a capital.',
    check: 'outdated.past-term-mention',
    fires: [titled('plan for spring 2025'), saying('As we did in Spring 2025.')],
    silent: [saying('The flood of spring 2025 took the bridge.')],
  },
  {
    sentence: 'The academic year of a term is the roster’s, else 1 July to 30 June.',
    check: 'outdated.past-term-mention',
    fires: [titled('Handbook 2025-26')],
    silent: [titled('Handbook 2026-27')],
  },
  {
    sentence: '“Untitled” is looked for in titles only, with or without more words.',
    check: 'outdated.placeholder-text',
    fires: [titled('Untitled'), titled('Untitled 3'), titled('Untitled page')],
    silent: [saying('The untitled map hangs in the hall.')],
  },
  {
    sentence: 'Brackets around words are a placeholder also in a question, unless its answers fill the gap.',
    check: 'outdated.placeholder-text',
    fires: [question('Read [insert chapter] first. How high is the stage?', ['one metre', 'two metres'])],
    silent: [
      question('The [insert word] rises.', ['stage', 'bed']),
      question('Which one is it, [insert bed] or another?', ['insert bed', 'insert bank']),
    ],
  },
  {
    sentence: 'A year in brackets is a version mark, no copy mark.',
    check: 'duplicate.copy-title',
    fires: [pair('Guide', 'Guide (2)')],
    silent: [pair('Guide', 'Guide (2026)')],
  },
  {
    sentence: 'Capitals alone are no other way of naming.',
    check: 'structure.mixed-naming',
    fires: [modules('Week 1', 'Week 2', 'Wk 3')],
    silent: [modules('Week 1', 'WEEK 2', 'Week 3'), modules('Week 1', 'week 2', 'Week 3')],
  },
  {
    sentence: 'Labels of one letter are read for every label word that the shell uses at least three times.',
    check: 'structure.mixed-naming',
    fires: [modules('Unit 1', 'Unit 2', 'Unit 3', 'U4')],
    silent: [modules('Reader 1', 'Reader 2', 'U4')],
  },
];

const days: readonly ReadSo[] = [
  {
    sentence:
      'Written days are read in every usual form, with the weekday before or behind, in brackets or not.',
    check: 'outdated.text-date-outside-term',
    fires: [
      '12 May 2029',
      '12th of May 2029',
      'May 12, 2029',
      'May 12th, 2029',
      '12-May-2029',
      '2029-05-12',
      '25.5.2029',
      '5/25/2029',
      'Saturday, 12 May 2029',
      '12 May 2029 (Saturday)',
      '2029-05-12 (Sat.)',
    ].map((written) => saying(`Hand it in by ${written}.`)),
    silent: [
      '12 April 2027',
      '12th of April 2027',
      'April 12, 2027',
      '12-Apr-2027',
      '2027-04-12',
      '25.4.2027',
      '4/25/2027',
      '12 April 2027 (Monday)',
    ].map((written) => saying(`Hand it in by ${written}.`)),
  },
  {
    sentence: 'A colon followed by a digit makes a time, nothing else does.',
    check: 'outdated.text-day-outside-term',
    fires: [saying('Due Oct. 8: bring waders.')],
    silent: [saying('Due Apr 8: bring waders.')],
  },
  {
    sentence: 'Neighbouring cells of a row are one sentence; so are a term and its description in a list.',
    check: 'outdated.text-date-outside-term',
    fires: [
      saying('<table><tr><td>Report due</td><td>12 May 2029</td></tr></table>'),
      saying('<dl><dt>Report due</dt><dd>12 May 2029</dd></dl>'),
    ],
    silent: [saying('<table><tr><td>Report due</td></tr><tr><td>12 May 2029</td></tr></table>')],
  },
  {
    sentence: '“14 days” are local calendar days, and day 14 does not fire; both end days are inside.',
    check: 'outdated.date-outside-term',
    fires: [due('2027-05-22T00:00:00'), due('2026-12-27T23:59:59')],
    silent: [due('2027-05-21T23:59:59'), due('2026-12-28T00:00:00'), due('2027-05-07T23:59:59')],
  },
  {
    sentence: 'An event covers every day it lasts; the end of an all-day event is the day after.',
    check: 'calendar.no-class-day',
    fires: [
      {
        name: 'three days, the middle one without class',
        build: () => ({
          ...noClass,
          events: [
            event('e', 'Field trip', '2027-03-14T00:00:00', { end: at('2027-03-17T00:00:00'), allDay: true }),
          ],
        }),
      },
    ],
    silent: [
      {
        name: 'all day on the day before',
        build: () => ({
          ...noClass,
          events: [
            event('e', 'Field trip', '2027-03-14T00:00:00', { end: at('2027-03-15T00:00:00'), allDay: true }),
          ],
        }),
      },
    ],
  },
  {
    sentence: 'A due date that differs from the event’s only in the hour is no mismatch.',
    check: 'calendar.due-mismatch',
    fires: [dueEvent('2027-03-02T10:00:00')],
    silent: [dueEvent('2027-03-01T10:00:00')],
  },
];

const links: readonly ReadSo[] = [
  {
    sentence: 'Link targets are compared resolved.',
    check: 'duplicate.same-content',
    fires: [linked('a/one.html', '../m/map.txt', 'b/c/two.html', '../../m/map.txt')],
    silent: [linked('m/one.html', 'map.txt', 'n/two.html', 'map.txt')],
  },
  {
    sentence: 'Every attribute of the list is followed; what a script builds is not.',
    check: 'orphan.broken-link',
    fires: [
      '<img srcset="gone.png 2x">',
      '<video poster="gone.png"></video>',
      '<q cite="gone.html">x</q>',
      '<object data="gone.svg"></object>',
      '<body background="gone.png">',
      '<form action="gone.html"></form>',
      '<p style="background: url(gone.png)">x</p>',
      '<style>@import "gone.css";</style>',
    ].map((html) => saying(html)),
    silent: [
      saying('<script>document.write("<img src=gone.png>");</script>'),
      saying('<img data-src="gone.png">'),
    ],
  },
  {
    sentence:
      'Missing fragments, folders and addresses beginning with / are not broken; pages nobody reaches are looked at.',
    check: 'orphan.broken-link',
    fires: [
      {
        name: 'in a page that nothing reaches',
        build: (c) => void c.page('Lost', '<a href="gone.html">x</a>', { outside: true, path: 'lost.html' }),
      },
    ],
    silent: [
      {
        name: 'a fragment, a folder, a rooted address',
        build: (c) => {
          c.file('maps/one.txt', 'x');
          page(
            c,
            'About',
            '<a href="#nowhere">a</a> <a href="maps/">b</a> <a href="/gone">c</a>',
            'about.html',
          );
        },
      },
    ],
  },
  {
    sentence: 'Repeated slashes in a package path count as one.',
    check: 'orphan.broken-link',
    fires: [saying('<a href="assets//gone.svg">x</a>')],
    silent: [
      {
        name: 'assets//logo.svg',
        build: (c) => {
          c.file('assets/logo.svg', '<svg xmlns="http://www.w3.org/2000/svg"/>');
          page(c, 'About', '<img src="assets//logo.svg" alt="">', 'about.html');
        },
      },
    ],
  },
  {
    sentence: 'Style sheets and icons of the head are no link targets for same-content.',
    check: 'duplicate.same-content',
    fires: [headed('<link rel="stylesheet" href="a.css">', '<link rel="icon" href="b.png">')],
    silent: [headed('<link rel="stylesheet" href="a.css">', '', '<a href="a.css">x</a>')],
  },
  {
    sentence: 'Pictures and links in the stem and the answers of a question belong to it.',
    check: 'duplicate.question',
    fires: [twoQuestions('<img src="p.png" alt="">', '<img src="p.png" alt="">')],
    silent: [twoQuestions('<img src="p.png" alt="">', '<img src="q.png" alt="">')],
  },
];

const sight: readonly ReadSo[] = [
  {
    sentence:
      'Shown and reachable are effective: ancestors and the role Instructor count, unknown counts as shown.',
    check: 'visibility.hidden-target',
    fires: [target({ in: false }), target({ staffOnly: true })],
    silent: [target({ in: null }), target({})],
  },
  {
    sentence: 'hidden-item means the own switch.',
    check: 'visibility.hidden-item',
    fires: [{ name: 'its switch', build: (c) => void c.page('P', stage, { shown: false }) }],
    silent: [{ name: 'by its role alone', build: (c) => void c.page('P', stage, { staffOnly: true }) }],
  },
  {
    sentence: '“Never opens” counts as “cannot be opened”.',
    check: 'visibility.locked-out',
    fires: [required({ closes: at('2026-10-01T00:00:00') })],
    silent: [required({ closes: at('2027-04-01T00:00:00') })],
  },
  {
    sentence: 'The untitled root is no level: items of the top level are level 1, and leaves count.',
    check: 'structure.deep-nesting',
    fires: [nested(3)],
    silent: [nested(2)],
  },
  {
    sentence: 'Two places of one resource are not same-content.',
    check: 'duplicate.same-content',
    fires: [pair('Stage', 'Stage again', true)],
    silent: [
      {
        name: 'one resource twice',
        build: (c) => {
          c.page('Stage', `<p>${stage}</p>`, { ref: 'first' });
          const shell = c.shell();
          const again = { ...shell.items[0]!, ref: itemRef('second') };
          return { items: [...shell.items, again] };
        },
      },
    ],
  },
  {
    sentence: 'no-home-page says nothing where no input names any home page.',
    check: 'readiness.no-home-page',
    fires: [
      {
        name: 'one that is not in use',
        build: (c) => {
          c.page('P', stage);
          return { homePages: [{ ref: itemRef('h'), title: 'Start', inUse: false }] };
        },
      },
    ],
    silent: [{ name: 'none is named', build: (c) => void c.page('Start', stage) }],
  },
  {
    sentence: 'Already-provided compares within one kind.',
    check: 'duplicate.already-provided',
    fires: [
      { name: 'a page and a page', build: (c) => (c.page('Rules', integrity), { baseline: provided() }) },
    ],
    silent: [
      {
        name: 'an assignment and a page',
        build: (c) => (c.assignment('Rules', integrity, null), { baseline: provided() }),
      },
    ],
  },
  {
    sentence: 'Of archives only zip is looked into.',
    check: 'orphan.unpacked-archive',
    fires: [archive(true)],
    silent: [archive(false)],
  },
];

const rest: readonly ReadSo[] = [
  {
    sentence: 'The time stamps of zip entries are never dates: what nobody dated has none.',
    check: 'outdated.untouched',
    fires: [dated({ modified: at('2020-01-04T10:00:00') })],
    silent: [dated({})],
  },
  {
    sentence: 'A date without a time opens at its start, and is due or closes at its end.',
    check: 'outdated.date-order',
    fires: [dated({ opens: at('2027-02-01T08:00:00'), due: at('2027-02-01T00:00:00') })],
    silent: [dated({ opens: at('2027-02-01T00:00:00'), due: at('2027-02-01T23:59:59') })],
  },
  {
    sentence: 'A changed date of a series is one of its dates.',
    check: 'calendar.no-class-day',
    fires: [changedDate('2027-03-15T14:00:00')],
    silent: [changedDate('2027-03-22T14:00:00')],
  },
  {
    sentence: 'Figures are read in the order that leaves a day possible.',
    check: 'outdated.text-date-outside-term',
    fires: [saying('Due 25/12/2029.'), saying('Due 12/25/2029.')],
    silent: [saying('Due 25/4/2027.'), saying('Due 4/25/2027.')],
  },
  {
    sentence: 'Where every copy has student work the remedy is proposed all the same.',
    check: 'duplicate.same-content',
    fires: [worked(stage, stage)],
    silent: [worked(stage, `${stage} Twice.`)],
  },
  {
    sentence: 'A finding that a larger one explains is a finding like any other.',
    check: 'duplicate.same-content',
    fires: [twiceBroughtIn((n) => `Station ${n}: ${stage}`)],
    silent: [twiceBroughtIn((n, copy) => `Station ${n}, reading ${copy}: ${stage}`)],
  },
  {
    sentence: 'The query and the fragment of an address are no part of its path.',
    check: 'orphan.broken-link',
    fires: [saying('<a href="gone.html?part=2#low">x</a>')],
    silent: [
      {
        name: 'kept.html?part=2#low',
        build: (c) => {
          c.page('Kept', stage, { path: 'kept.html' });
          c.page('From', '<a href="kept.html?part=2#low">x</a>', { path: 'from.html' });
        },
      },
    ],
  },
  {
    sentence: 'The previous term is not known where nobody told it.',
    check: 'outdated.unchanged-assessment',
    fires: [assessed({})],
    silent: [assessed({ previousTerm: null })],
  },
  {
    sentence: 'Items that arrived hidden in one import are a finding each.',
    check: 'visibility.hidden-item',
    fires: [arrived(false)],
    silent: [arrived(true)],
  },
];

export const readSo: readonly ReadSo[] = [...texts, ...days, ...links, ...sight, ...rest];
