import type { GradeCategory, GradeColumn, HomePage, Item, Shell } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef, groupRef, itemRef, shellRef } from '@/core/refs/refs';
import { addDays, atTime, type LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { readCalendar } from '@/formats/icalendar/read-calendar';
import { asOf, previousTerm, term, timeZone } from '../hyd-214/build';
import { picture } from '../pictures';
import { autumnWalks } from './calendar';
import { birdWeeks, type BirdWeek } from './weeks';

const madeAt = '2025-08-20T09:00:00' as LocalDateTime;
const base = '$IMS-CC-FILEBASE$';
const page = (title: string, body: string) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>${title}</title>\n<link rel="stylesheet" href="${base}/look/marsh.css">\n</head>\n<body>\n<h1>${title}</h1>\n${body}\n</body>\n</html>\n`;
const slug = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z]+/g, '-')
    .replace(/^-|-$/g, '');

/** BIO 355 Wetland Birds as it was left after Autumn 2025: 412 items and its home page, to be reset but for one announcement. */
export function buildBio355(): ShellComposer {
  const c = new ShellComposer({
    ref: shellRef('bio-355-spring-2027'),
    code: 'BIO 355',
    title: 'Wetland Birds',
    timeZone,
    asOf,
    term,
    previousTerm,
    enrolments: { teacher: 2, student: 24 },
  });
  c.file(
    'look/marsh.css',
    'body { max-width: 42rem }\nh1 { background: url("reeds.png") no-repeat right }\n',
  );
  c.file('look/reeds.png', picture(3550, 120, 40));
  addStart(c);
  birdWeeks.forEach((week, n) => addWeek(c, week, n + 1));
  addFinalMap(c);
  return c;
}

function addStart(c: ShellComposer): void {
  const start = c.module('Begin here', { ref: 'start', shown: true, created: madeAt });
  const about = { parent: start, shown: true, created: madeAt, modified: madeAt };
  c.page(
    'Wetland Birds',
    page(
      'Wetland Birds',
      `<p>Fifteen weeks, fifteen kinds of water. Begin with <a href="${base}/start/how-we-work.html">how we work</a>, then go to week 1.</p>`,
    ),
    { ...about, ref: 'home', path: 'start/wetland-birds.html' },
  );
  c.page(
    'How we work',
    page(
      'How we work',
      '<p>Every week has a reading, eight birds, a walk at dawn, a field sheet and ten questions.</p>',
    ),
    { ...about, ref: 'how', path: 'start/how-we-work.html' },
  );
  c.page(
    'What to bring',
    page(
      'What to bring',
      '<p>Boots, a notebook that may get wet, and binoculars. Ask at the boat house if you have none.</p>',
    ),
    { ...about, ref: 'bring', path: 'start/what-to-bring.html' },
  );
  c.page(
    'Boats and safety',
    page('Boats and safety', '<p>Nobody goes out alone. The rules of the boat house hold in every term.</p>'),
    { ...about, ref: 'boats', path: 'start/boats-and-safety.html' },
  );
  c.discussion(
    'Who is here',
    '<p>Write three lines about yourself and the nearest water to where you grew up.</p>',
    {
      ...about,
      ref: 'who',
      studentWork: 24,
    },
  );
  for (const [ref, title, text] of announcements)
    c.page(title, page(title, `<p>${text}</p>`), {
      ref,
      path: `announcements/${ref}.html`,
      shown: true,
      created: madeAt,
      outside: true,
    });
}

const announcements = [
  [
    'standing-notice',
    'The boat house rules hold in every term',
    'Read them before the first walk; they do not change.',
  ],
  ['welcome-2025', 'Welcome to Autumn 2025', 'We begin on Monday, 25 August 2025, at the boat house.'],
  ['walk-moved', 'Dawn walk 3 moves to Sunday', 'The harbour is closed on Saturday, 13 September 2025.'],
  ['sheets-back', 'Field sheets are back', 'Sheets 1 to 3 lie in the box at the boat house.'],
  [
    'farewell',
    'Thank you for a good term',
    'Your final maps hang in the reading room until 12 December 2025.',
  ],
] as const;

/** Ten stations around the lake, of which every student’s last map is made. */
function addFinalMap(c: ShellComposer): void {
  const parent = c.module('The final map', { ref: 'map', shown: true, created: madeAt });
  c.page(
    'The lake at a glance',
    page('The lake at a glance', '<p>Begin at the boat house and go round by the left.</p>'),
    {
      ref: 'map-all',
      parent,
      path: 'map/the-lake.html',
      shown: true,
      created: madeAt,
      modified: madeAt,
    },
  );
  for (let n = 1; n <= 10; n += 1)
    c.page(
      `Station ${n}`,
      page(
        `Station ${n}`,
        `<p>Stand at post ${n} for twenty minutes. What you hear behind you counts as well.</p>`,
      ),
      {
        ref: `map-${n}`,
        parent,
        path: `map/station-${n}.html`,
        shown: true,
        created: madeAt,
        modified: madeAt,
      },
    );
}

function addWeek(c: ShellComposer, week: BirdWeek, n: number): void {
  const parent = c.module(`Week ${n}: ${week.title}`, { ref: `w${n}`, shown: true, created: madeAt });
  const about = { parent, shown: true, created: madeAt, modified: madeAt };
  const folder = `week-${n}`;
  const reading = `${folder}/reading.html`;
  c.heading('Before the walk', { ...about, ref: `w${n}-before` });
  c.file(`${folder}/plate.png`, picture(3551 + n, 160, 110));
  c.page(
    `Reading ${n}: ${week.title}`,
    page(
      `Reading ${n}`,
      `<p>${week.habitat}</p><img src="${base}/${folder}/plate.png" alt="Plate of week ${n}"><p>On to <a href="${base}/${folder}/${slug(week.birds[0] ?? '')}.html">${week.birds[0]}</a>.</p>`,
    ),
    { ...about, ref: `w${n}-reading`, path: reading },
  );
  for (const [k, bird] of week.birds.entries())
    c.page(
      bird,
      page(
        bird,
        `<p>${bird}, number ${k + 1} of week ${n}. Draw it, hear it, and say what it needs of the water.</p><p>Back to <a href="${base}/${reading}">the reading</a>.</p>`,
      ),
      { ...about, ref: `w${n}-b${k}`, path: `${folder}/${slug(bird)}.html` },
    );
  for (const [k, what] of ['Field card', 'Map of the bay', 'Call chart', 'Slides'].entries()) {
    const path = `${folder}/${slug(what)}.pdf`;
    c.file(path, `%PDF-1.4\n% ${what} of week ${n} of Wetland Birds\n`, {
      readableBy: 'all',
      created: madeAt,
    });
    c.fileItem(`${what}, week ${n}`, path, { ...about, ref: `w${n}-f${k}` });
  }
  c.heading('At dawn and after', { ...about, ref: `w${n}-after` });
  c.page(`Walk ${n}`, page(`Walk ${n}`, `<p>${week.outside}</p>`), {
    ...about,
    ref: `w${n}-walk`,
    path: `${folder}/walk.html`,
  });
  addTasks(c, week, n, about);
}

function addTasks(
  c: ShellComposer,
  week: BirdWeek,
  n: number,
  about: { readonly parent: string; readonly shown: boolean; readonly created: LocalDateTime },
): void {
  const due = atTime(addDays(previousTerm.start, 7 * (n - 1) + 6), '23:59:59');
  c.assignment(`Field sheet ${n}`, `<p>${week.outside}</p><p>Hand in by Sunday night.</p>`, 10, {
    ...about,
    ref: `w${n}-sheet`,
    due,
    gradeColumn: `column-${n}`,
    gradeCategory: 'Field sheets',
    studentWork: n <= 2 ? 24 : 0,
  });
  c.quiz(
    `Ten questions, week ${n}`,
    week.birds.map((bird) => ({
      stem: `Which water does this belong to: ${bird}?`,
      answers: [week.title, 'None of this course'],
      right: 0,
      points: 1,
    })),
    { ...about, ref: `w${n}-quiz`, due, studentWork: 0 },
  );
  c.discussion(`What did you see in week ${n}?`, '<p>One bird, one place, one question.</p>', {
    ...about,
    ref: `w${n}-talk`,
    studentWork: 0,
  });
  c.webLink(`Sound of the week ${n}`, `https://sounds.tarn-hollow.example/wetland/${n}`, {
    ...about,
    ref: `w${n}-sound`,
  });
  for (const k of [1, 2, 3, 4, 5])
    c.page(
      `Plate ${k} of week ${n}`,
      page(
        `Plate ${k} of week ${n}`,
        `<p>Print it and colour what you saw of “${week.title}”, plate ${k}.</p>`,
      ),
      { ...about, ref: `w${n}-plate${k}`, path: `week-${n}/plate-${k}.html` },
    );
}

/** BIO 355 as its campus host has it: with events, grade setup, groups and the home page in use. */
export function bio355AtHost(): { readonly shell: Shell; readonly composer: ShellComposer } {
  const composer = buildBio355();
  const shell = composer.shell();
  const calendar = readCalendar(
    autumnWalks(previousTerm.start),
    'events.ics',
    { wanted: timeZone, otherwise: 'UTC' },
    term.end,
  );
  if (!calendar.ok) throw new Error(calendar.trouble.message);
  const announced = new Set<string>(announcements.map(([, title]) => title));
  const home: HomePage = { ref: itemRef('home'), title: 'Wetland Birds', inUse: true };
  return {
    composer,
    shell: {
      ...shell,
      items: shell.items.map((item) =>
        announced.has(item.title) ? { ...item, kind: 'announcement' } : homeOr(item),
      ),
      events: calendar.value.events,
      calendar: calendar.value.frame,
      ...gradeSetup(),
      groups: ['Herons', 'Rails', 'Waders', 'Divers'].map((title, n) => ({
        ref: groupRef(`group-${n}`),
        title,
      })),
      homePages: [home],
    },
  };
}

/** Students arrive on this page. */
const homeOr = (item: Item): Item => (item.ref === 'home' ? { ...item, kind: 'home-page' } : item);

function gradeSetup(): { readonly gradeCategories: GradeCategory[]; readonly gradeColumns: GradeColumn[] } {
  const sheets = gradeCategoryRef('field-sheets');
  const categories = [
    ['field-sheets', 'Field sheets', 0.6],
    ['questions', 'Ten questions', 0.2],
    ['map', 'Final map', 0.2],
  ] as const;
  return {
    gradeCategories: categories.map(([ref, title, weight]) => ({
      ref: gradeCategoryRef(ref),
      title,
      weight,
      extra: {},
    })),
    gradeColumns: birdWeeks.map((_, n) => ({
      ref: gradeColumnRef(`column-${n + 1}`),
      title: `Field sheet ${n + 1}`,
      category: sheets,
      points: 10,
      results: n < 2 ? 24 : 0,
      extra: {},
    })),
  };
}
