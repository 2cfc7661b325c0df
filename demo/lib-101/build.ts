import { shellRef } from '@/core/refs/refs';
import { addDays, atTime, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { asOf, previousTerm, term, timeZone } from '../hyd-214/build';
import { picture } from '../pictures';
import { sessions } from './sessions';

const base = '$IMS-CC-FILEBASE$';
const due = (day: LocalDate): LocalDateTime => atTime(day, '23:59:59');
const changed = '2026-12-18T10:00:00' as LocalDateTime;
const sheet = (title: string, body: string) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>${title}</title>\n<link rel="stylesheet" href="${base}/look/reading.css">\n</head>\n<body>\n<h1>${title}</h1>\n${body}\n</body>\n</html>\n`;

/** The cited works are invented, and so are their years: what must not be taken for a leftover of an earlier term. */
const references = `<h2>References</h2>
<ul>
<li>Harrow, P. (2019). The keeper of the maps. Tarn Hollow Papers, 12, 3–14.</li>
<li>Lind, S., and Orde, M. (2014). Words for small water. Field Notes Quarterly, Spring 2014, 40–52.</li>
<li>Quill, T. (1998). Stones counted. Press of the Valley. Published 14 October 1998.</li>
<li>Wells survey, data of 2011-12. Retrieved 3 March 2021 from the county archive.</li>
</ul>`;

/**
 * LIB 101 Finding and Citing Sources, well kept: everything in order, dated for this term, used and reached. It is full of
 * what looks like a leftover and is none, such as cited years, a series of checks with one wording, and blanks to fill in.
 */
export function buildLib101(): ShellComposer {
  const c = new ShellComposer({
    ref: shellRef('lib-101-spring-2027'),
    code: 'LIB 101',
    title: 'Finding and Citing Sources',
    term,
    previousTerm,
    asOf,
    timeZone,
  });
  c.file(
    'look/reading.css',
    'body { max-width: 40rem; font-family: serif }\nh1 { background: url("../look/shelf.png") no-repeat right }\n',
  );
  c.file('look/shelf.png', picture(4100, 120, 40));
  addAbout(c);
  sessions.forEach((session, i) => addSession(c, session, i + 1));
  c.page(
    'Reading room, Spring 2027',
    sheet(
      'Reading room, Spring 2027',
      '<p>The reading room opens on 11 January 2027 and closes at six. On no-class days it stays shut.</p>',
    ),
    { ref: 'room', parent: 'about', path: 'about/room.html', modified: changed },
  );
  return c;
}

function addAbout(c: ShellComposer): void {
  const about = c.module('About this course', { ref: 'about', modified: changed });
  c.page(
    'Syllabus',
    sheet(
      'Syllabus',
      '<p>Eight sessions, eight tasks, one answer. We meet on Tuesdays at ten in the reading room; the first meeting is on Tuesday, 12 January 2027, the last on 4 May. Your answer is due by 7 May 2027.</p><p>The course has been given since 2009; what it asks of you has grown shorter every year.</p><p>© 2019–2026 Tarn Hollow College</p>',
    ),
    { ref: 'syllabus', parent: about, path: 'about/syllabus.html', modified: changed },
  );
  c.page(
    'How to write to me',
    sheet(
      'How to write to me',
      '<p>Put LIB 101 and your question in the first line. I answer within two days, not on Sundays.</p>',
    ),
    { ref: 'contact', parent: about, path: 'about/contact.html', modified: changed },
  );
  c.discussion('Questions to everybody', '<p>Ask here first; somebody else wonders, too.</p>', {
    ref: 'questions',
    parent: about,
    modified: changed,
  });
}

function addSession(c: ShellComposer, session: (typeof sessions)[number], n: number): void {
  const parent = c.module(`Session ${n}: ${session.title}`, { ref: `s${n}`, modified: changed });
  const start = addDays(term.start, 7 * (n <= 4 ? 2 * n - 2 : 2 * n - 1));
  c.file(`pictures/session-${n}.png`, picture(4200 + n, 160, 110));
  c.page(
    session.reading[0],
    sheet(
      session.reading[0],
      `<p>${session.reading[1]}</p><figure><img src="${base}/pictures/session-${n}.png" alt="Drawing for session ${n}"></figure><p>Then look at <a href="example.html">an example</a>.</p>${n % 2 ? references : ''}`,
    ),
    { ref: `s${n}-reading`, parent, path: `session-${n}/reading.html`, modified: changed },
  );
  c.page(session.example[0], sheet(session.example[0], `<p>${session.example[1]}</p>`), {
    ref: `s${n}-example`,
    parent,
    path: `session-${n}/example.html`,
    modified: changed,
  });
  c.assignment(session.task[0], `<p>${session.task[1]}</p>`, 10, {
    ref: `s${n}-task`,
    parent,
    modified: changed,
    due: n === 8 ? due(term.end) : due(addDays(start, 11)),
  });
  c.quiz(
    `Session ${n} check`,
    [
      { stem: `<p>${session.check[0]}</p>`, answers: session.check[1], right: session.check[2], points: 2 },
      {
        stem: `<p>Fill in the blank of session ${n}: whoever reads the margin of “${session.reading[0]}” finds the ______ again.</p>`,
        answers: ['thought', 'page number', 'pencil'],
        right: 0,
        points: 2,
      },
    ],
    { ref: `s${n}-check`, parent, modified: changed, due: due(addDays(start, 11)) },
  );
}

/** Its roster: three categories that sum up to a hundred, and a column for each piece of work. */
export function lib101Roster(): Readonly<Record<string, string>> {
  return {
    'manifest.csv':
      'propertyName,value\nmanifest.version,1.0\noneroster.version,1.2\nfile.academicSessions,bulk\nfile.categories,bulk\nfile.classes,bulk\nfile.courses,bulk\nfile.lineItems,bulk\n',
    'academicSessions.csv': `sourcedId,status,dateLastModified,title,type,startDate,endDate,parentSourcedId,schoolYear\nyear-2026,active,,2026-27,schoolYear,2026-07-01,2027-06-30,,2027\nterm-s27,active,,${term.title},term,${term.start},${term.end},year-2026,2027\nterm-a25,active,,${previousTerm.title},term,${previousTerm.start},${previousTerm.end},,2026\n`,
    'courses.csv':
      'sourcedId,status,dateLastModified,schoolYearSourcedId,title,courseCode\nlib-101,active,,year-2026,Finding and Citing Sources,LIB 101\n',
    'classes.csv':
      'sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds\nlib-101-1,active,,Finding and Citing Sources,,lib-101,LIB-101-1,scheduled,,tarn-hollow,term-s27\n',
    'categories.csv':
      'sourcedId,status,dateLastModified,title,weight\nc-tasks,active,,Tasks,50\nc-checks,active,,Checks,20\nc-hand,active,,Participation,30\n',
    'lineItems.csv': `sourcedId,status,dateLastModified,title,description,assignDate,dueDate,classSourcedId,categorySourcedId,gradingPeriodSourcedId,resultValueMin,resultValueMax\n${sessions.map((s, i) => `li-t${i + 1},active,,"${s.task[0]}",,,,lib-101-1,c-tasks,term-s27,0,10\nli-c${i + 1},active,,Session ${i + 1} check,,,,lib-101-1,c-checks,term-s27,0,4`).join('\n')}\nli-p,active,,Participation,,,,lib-101-1,c-hand,term-s27,0,30\n`,
  };
}

/** Its calendar: a weekly meeting made in December, the break left out, and the last deadline. */
export function lib101Calendar(): string {
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Tarn Hollow College//Calendar//EN',
    'BEGIN:VEVENT',
    'UID:lib-meeting@tarnhollow.example',
    'DTSTAMP:20261217T090000Z',
    'CREATED:20261217T090000Z',
    'SUMMARY:Meeting in the reading room',
    'DTSTART:20270112T100000Z',
    'DTEND:20270112T113000Z',
    'RRULE:FREQ=WEEKLY;UNTIL=20270504T100000Z',
    'EXDATE:20270316T100000Z',
    'URL:https://rooms.meetings.example/join/lib-spring-2027',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:lib-answer@tarnhollow.example',
    'DTSTAMP:20261217T090500Z',
    'CREATED:20261217T090500Z',
    'SUMMARY:Your answer due',
    'DTSTART;VALUE=DATE:20270507',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:lib-break@tarnhollow.example',
    'DTSTAMP:20261217T091000Z',
    'CREATED:20261217T091000Z',
    'SUMMARY:Spring break: no classes',
    'DTSTART;VALUE=DATE:20270315',
    'DTEND;VALUE=DATE:20270320',
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ];
  return lines.join('\r\n');
}
