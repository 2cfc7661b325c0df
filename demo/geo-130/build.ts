import { day } from '../day';
import { shellRef } from '@/core/refs/refs';
import { addDays, atTime, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { asOf, previousTerm, term, timeZone } from '../hyd-214/build';
import { picture } from '../pictures';
import { statements, statementPage } from '../template/build';
import { units } from './units';

const due = (day: LocalDate): LocalDateTime => atTime(day, '23:59:59');
const page = (title: string, body: string) =>
  `<html>\n<head><title>${title}</title></head>\n<body bgcolor="#ffffff">\n<h2>${title}</h2>\n${body}\n</body>\n</html>\n`;

/**
 * GEO 130 Reading Maps, brought over from another system by a converter: every file lies flat at the top, units stand in
 * alphabetical order, links into the old system's folders lead nowhere, its settings came along, and so did statements
 * that the college's template provides by itself. Written as a plain content package, visibility in the manifest.
 */
export function buildGeo130(): ShellComposer {
  const c = new ShellComposer({
    ref: shellRef('converted-geo-130'),
    code: 'GEO 130',
    title: 'Reading Maps, Autumn 2024',
    term,
    previousTerm,
    asOf,
    timeZone,
    frame: {
      format: 'content-packaging',
      version: '1.1.3',
      title: '',
      metadataXml: [
        '<lom:lom><lom:general><lom:title><lom:langstring>Reading Maps, Autumn 2024</lom:langstring></lom:title></lom:general></lom:lom>',
      ],
      organizationId: 'toc',
      rootItemId: null,
      prefixes: { lom: 'http://www.imsglobal.org/xsd/imsmd_rootv1p2p1' },
      extraXml: [],
    },
  });
  c.file('converted.css', 'body { margin: 2em } h2 { color: #333366 }');
  const alphabetical = units
    .map((unit, i) => ({ unit, n: i + 1 }))
    .sort((a, b) => (`Unit ${a.n}` < `Unit ${b.n}` ? -1 : 1));
  for (const { unit, n } of alphabetical) addUnit(c, unit, n);
  addInformation(c);
  addConverted(c);
  return c;
}

/** A unit with its pictures, pages, task and check; of every third, a link into an old survey. */
function addUnit(c: ShellComposer, unit: (typeof units)[number], n: number): void {
  const id = `u${n}`;
  const parent = c.module(`Unit ${n}: ${unit.title}`, { ref: id, shown: n !== 7 });
  c.file(`unit${n}_fig1.png`, picture(700 + n, 140, 90));
  c.file(`unit${n}_fig2.png`, picture(740 + n, 140, 90));
  unit.pages.forEach(([title, text], k) =>
    c.page(
      title,
      page(
        title,
        `<p>${text}</p>\n<p><img src="unit${n}_fig${k + 1}.png" alt="Figure ${k + 1}"></p>\n<p><a href="${nextPage(n, k)}">Read on</a></p>`,
      ),
      { ref: `${id}-p${k + 1}`, parent, path: `unit${n}_page${k + 1}.html`, shown: true },
    ),
  );
  c.assignment(
    unit.task[0],
    `<p>${unit.task[1]}</p>${n === 4 ? '<p>[insert room and time here]</p>' : ''}`,
    10,
    {
      ref: `${id}-task`,
      parent,
      shown: true,
      due: n <= 5 ? due(addDays(previousTerm.start, 7 * n + 4)) : due(addDays(term.start, 7 * n + 4)),
      path: `unit${n}_task.xml`,
    },
  );
  c.quiz(
    `Unit ${n} check`,
    unit.quiz.map(([stem, answers, right]) => ({ stem: `<p>${stem}</p>`, answers, right, points: 2 })),
    { ref: `${id}-quiz`, parent, shown: true, path: `unit${n}_quiz.xml` },
  );
  if (n % 3 === 0)
    c.webLink('Sheet viewer of the old survey', `https://sheets.oldmaps.example/view?unit=${n}`, {
      ref: `${id}-link`,
      parent,
      shown: true,
      path: `unit${n}_link.xml`,
    });
}

/** What the college's template provides by itself, brought along as pages. */
function addInformation(c: ShellComposer): void {
  const about = c.module('Course information', { ref: 'info', shown: true });
  statements.forEach(([title], i) =>
    c.page(title, statementPage(i), {
      ref: `info-${i + 1}`,
      parent: about,
      path: `info_statement${i + 1}.html`,
      shown: true,
    }),
  );
  c.page(
    'Syllabus',
    page(
      'Syllabus',
      '<p>Ten units, ten tasks, one map of your own. The dates of Autumn 2024 stand in the calendar.</p>',
    ),
    { ref: 'info-syllabus', parent: about, path: 'info_syllabus.html', shown: true },
  );
}

/** What the converter made of things that it had no place for. */
function addConverted(c: ShellComposer): void {
  c.module('Discussion boards (converted)', { ref: 'boards', shown: true });
  c.module('Total points', { ref: 'totals', shown: true });
  c.bank(
    'converted-bank-1',
    units
      .slice(0, 4)
      .flatMap((u) =>
        u.quiz.map(([stem, answers, right]) => ({ stem: `<p>${stem}</p>`, answers, right, points: 1 })),
      ),
    'bank_1.xml',
  );
  c.foreign(
    'converter/settings',
    'converter_settings.xml',
    '<settings><source system="former"/><option name="keep-order" value="alphabetical"/></settings>',
  );
  // What the converter could not place: flat files that nothing uses.
  [...'abcdefghijklmn'].forEach((letter, n) =>
    c.file(`spare_${letter}.bin`, `converted object ${n + 1}\n${'0123456789abcdef\n'.repeat((n + 1) * 8)}`),
  );
}

/** The roster of GEO 130: of eleven grade categories that the converter made, eight are empty. */
export function geo130Roster(): Readonly<Record<string, string>> {
  const category = (id: string, title: string, weight = '') =>
    `${id},active,2026-12-01T08:00:00.000Z,${title},${weight}`;
  const empty = [
    'Imported',
    'Imported (2)',
    'Uncategorised',
    'Board posts',
    'Total points',
    'Sum of everything',
    'Surveys',
    'Blogs',
  ];
  return {
    'manifest.csv':
      'propertyName,value\nmanifest.version,1.0\noneroster.version,1.2\nfile.academicSessions,bulk\nfile.categories,bulk\nfile.classes,bulk\nfile.courses,bulk\nfile.enrollments,bulk\nfile.lineItems,bulk\n',
    'academicSessions.csv': `sourcedId,status,dateLastModified,title,type,startDate,endDate,parentSourcedId,schoolYear\nyear-2026,active,,2026-27,schoolYear,2026-07-01,2027-06-30,,2027\nterm-s27,active,,${term.title},term,${term.start},${term.end},year-2026,2027\nterm-a25,active,,${previousTerm.title},term,${previousTerm.start},${previousTerm.end},,2026\n`,
    'courses.csv':
      'sourcedId,status,dateLastModified,schoolYearSourcedId,title,courseCode\ngeo-130,active,,year-2026,Reading Maps,GEO 130\n',
    'classes.csv':
      'sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds\ngeo-130-1,active,,Reading Maps,,geo-130,GEO-130-1,scheduled,,tarn-hollow,term-s27\n',
    'enrollments.csv': `sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary\nen-0,active,,geo-130-1,tarn-hollow,u-0,teacher,true\n${Array.from({ length: 24 }, (_, i) => `en-${i + 1},active,,geo-130-1,tarn-hollow,u-${i + 1},student,`).join('\n')}\n`,
    'categories.csv': `sourcedId,status,dateLastModified,title,weight\n${[category('cat-tasks', 'Tasks', '60'), category('cat-checks', 'Checks', '20'), category('cat-map', 'Your map', '20'), ...empty.map((title, i) => category(`cat-empty-${i + 1}`, title))].join('\n')}\n`,
    'lineItems.csv': `sourcedId,status,dateLastModified,title,description,assignDate,dueDate,classSourcedId,categorySourcedId,gradingPeriodSourcedId,resultValueMin,resultValueMax\n${units.map((u, i) => `li-task-${i + 1},active,,"${u.task[0]}",,,${addDays(day('2027-01-11'), 7 * i + 4)},geo-130-1,${i === 9 ? 'cat-map' : 'cat-tasks'},term-s27,0,10`).join('\n')}\n${units.map((_, i) => `li-check-${i + 1},active,,Unit ${i + 1} check,,,,geo-130-1,cat-checks,term-s27,0,2`).join('\n')}\n`,
  };
}

/** Where a page of a unit leads on: the first to the second, the second to the glossary or back. */
function nextPage(unit: number, page: number): string {
  if (page === 0) return `unit${unit}_page2.html`;
  return unit % 2 ? 'shared_folder/glossary_of_terms.html' : `unit${unit}_page1.html`;
}
