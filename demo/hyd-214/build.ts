import { day } from '../day';
import { elementAt } from '@/core/sure';
import { shellRef } from '@/core/refs/refs';
import { addDays, atTime, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer, type Placing } from '@/formats/cartridge/compose-shell';
import { picture } from '../pictures';
import { fieldDays, project, startPages } from './around-the-weeks';
import { weeks, type Week } from './weeks';

export const term = {
  title: 'Spring 2027',
  start: day('2027-01-11'),
  end: day('2027-05-07'),
};
export const previousTerm = {
  title: 'Autumn 2025',
  start: day('2025-08-25'),
  end: day('2025-12-12'),
};
export const asOf = day('2027-01-04');
export const timeZone = 'Europe/Dublin';

const firstImport = 'import of 2 December 2026';
const secondImport = 'import of 9 December 2026';
const madeAt = (day: string): LocalDateTime => `${day}T09:00:00` as LocalDateTime;
const due = (day: LocalDate): LocalDateTime => atTime(day, '23:59:59');

/** The teaching weeks of Spring 2027: 16 calendar weeks less the break of 15 to 19 March. */
const monday = (week: number): LocalDate => addDays(term.start, 7 * (week <= 9 ? week - 1 : week));
const oldMonday = (week: number): LocalDate => addDays(previousTerm.start, 7 * (week - 1));
const two = (n: number) => String(n).padStart(2, '0');

const base = '$IMS-CC-FILEBASE$';
const sheet = (title: string, body: string, extra = '') =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>${title}</title>\n<link rel="stylesheet" href="${base}/look/pages.css">\n${extra}</head>\n<body>\n<h1>${title}</h1>\n${body}\n</body>\n</html>\n`;

/** HYD 214 Stream Ecology Field Methods as it stands on 4 January 2027: copied, copied once more, and not cleaned. */
export function buildHyd214(): ShellComposer {
  const c = new ShellComposer({
    ref: shellRef('hyd-214-spring-2027'),
    code: 'HYD 214',
    title: 'Stream Ecology Field Methods',
    timeZone,
    asOf,
    frame: {
      format: 'common-cartridge',
      title: '',
      version: '1.3.0',
      metadataXml: [
        '<lomimscc:lom><lomimscc:general><lomimscc:title><lomimscc:string language="en">Stream Ecology Field Methods</lomimscc:string></lomimscc:title></lomimscc:general></lomimscc:lom>',
      ],
      organizationId: 'outline',
      rootItemId: 'outline-root',
      prefixes: { lomimscc: 'http://ltsc.ieee.org/xsd/imsccv1p3/LOM/manifest' },
      extraXml: [],
    },
  });
  addFiles(c);
  addStart(c);
  for (let n = 1; n <= weeks.length; n += 1)
    addWeek(c, n, elementAt(weeks, n - 1), { batch: firstImport, copy: '' });
  addProject(c);
  addFieldDays(c);
  for (let n = 4; n <= 9; n += 1) addWeek(c, n, elementAt(weeks, n - 1), { batch: secondImport, copy: '-b' });
  addLeftOvers(c);
  return c;
}

function addFiles(c: ShellComposer): void {
  c.file(
    'look/pages.css',
    `body{font-family:sans-serif;max-width:44rem}\nh1{border-bottom:2px solid;background:url("../look/ripple.png") no-repeat right}\nfigure{margin:1rem 0}\n`,
  );
  c.file('look/ripple.png', picture(900, 40, 20));
  weeks.forEach((week, i) => {
    const n = i + 1;
    for (let k = 1; k <= 12; k += 1)
      c.file(`pictures/week-${two(n)}/view-${two(k)}.png`, picture(n * 20 + k));
    for (let k = 1; k <= 6; k += 1)
      c.file(`data/week-${two(n)}/station-${k}.csv`, stationData(n, k, week.site));
    for (const name of ['field-sheet', 'checklist', 'risk-sheet', 'tally'] as const)
      c.file(`sheets/week-${two(n)}/${name}.txt`, fieldSheet(name, n, week));
  });
  // Pictures of years gone by that nobody took out, two archives, and files that were uploaded twice.
  for (let k = 1; k <= 38; k += 1)
    c.file(`pictures/older/bridge-${2016 + (k % 6)}-${two(k)}.png`, picture(2000 + k, 160, 110), {
      modified: madeAt('2021-09-01'),
    });
  for (let k = 1; k <= 61; k += 1)
    c.file(
      `hand-outs/removed-weeks/hand-out-${two(k)}.txt`,
      `Hand-out ${k} of a week that is taught no more.\n${'Station notes, copied by hand.\n'.repeat(20 + k)}`,
      { modified: madeAt('2023-02-10') },
    );
  c.file(
    'hand-outs/removed-weeks/all-hand-outs.zip',
    Buffer.concat([Buffer.from('PK\u0005\u0006', 'latin1'), Buffer.alloc(18), picture(3001, 220, 180)]),
  );
  c.file(
    'pictures/older/pictures-2019.zip',
    Buffer.concat([Buffer.from('PK\u0005\u0006', 'latin1'), Buffer.alloc(18), picture(3002, 240, 180)]),
  );
  for (let k = 1; k <= 8; k += 1) c.file(`uploads/view-${two(k)} (1).png`, picture(4 * 20 + k));
  c.file('uploads/site-map.png', picture(500, 200, 140));
  c.file('start/site-map.png', picture(500, 200, 140));
}

function stationData(week: number, station: number, site: string): string {
  const rows = Array.from(
    { length: 24 },
    (_, h) =>
      `${two(h)}:00,${(0.42 + 0.03 * Math.sin((h + week) / 3) + station / 100).toFixed(3)},${(7.5 + Math.sin(h / 4 + station)).toFixed(1)}`,
  );
  return `# ${site}, station ${station}, week ${week}\ntime,stage_m,temperature_c\n${rows.join('\n')}\n`;
}

function fieldSheet(name: string, week: number, { site, title }: Week): string {
  return `${name.replace('-', ' ').toUpperCase()}\nWeek ${week}: ${title}\nSite: ${site}\n\nReaders: ____________   Time out: ______   Time back: ______\n${'_'.repeat(60)}\n`.repeat(
    2,
  );
}

function addStart(c: ShellComposer): void {
  const start = c.module('Start here', { ref: 'start', batch: firstImport });
  startPages.forEach(([title, text], i) => {
    const folder = new Map([
      [0, 'start'],
      [4, 'uploads'],
    ]).get(i);
    const picture = folder
      ? `<figure><img src="${base}/${folder}/site-map.png" alt="Map of the four sites"></figure>`
      : '';
    c.page(title, sheet(title, `${text}${picture}`), {
      ref: `start-${i + 1}`,
      parent: start,
      path: `start/page-${i + 1}.html`,
      batch: firstImport,
      modified: madeAt('2026-12-02'),
    });
  });
  c.discussion('Questions to everybody', '<p>Ask here first; somebody else wonders, too.</p>', {
    ref: 'start-talk',
    parent: start,
    batch: firstImport,
  });
}

interface Coming {
  readonly batch: string;
  /** Appended to identifiers and paths of the second import. */
  readonly copy: string;
}

/** One week while it is written: where its things stand, and how its pages and pictures are named. */
interface WeekInWork {
  readonly c: ShellComposer;
  readonly n: number;
  readonly week: Week;
  readonly copy: string;
  readonly id: string;
  readonly parent: string;
  readonly common: Placing;
  page(key: string, title: string, body: string): void;
  figure(k: number): string;
}

function addWeek(c: ShellComposer, n: number, week: Week, { batch, copy }: Coming): void {
  const id = `w${two(n)}${copy}`;
  const folder = `weeks${copy}/week-${two(n)}`;
  const changed = madeAt(copy ? '2026-12-09' : '2026-12-02');
  const common = { batch, modified: changed };
  const parent = c.module(`Week ${n}: ${week.title}`, { ref: id, ...common });
  const page = (key: string, title: string, body: string) =>
    c.page(title, sheet(title, body), {
      ref: `${id}-${key}`,
      parent,
      path: `${folder}/${key}.html`,
      ...common,
    });
  const figure = (k: number) =>
    `<figure><img src="${base}/pictures/week-${two(n)}/view-${two(k)}.png" alt="${week.site}, view ${k}"></figure>`;
  const inWork: WeekInWork = { c, n, week, copy, id, parent, common, page, figure };
  addReadings(inWork);
  addFieldwork(inWork);
  addAfterClass(inWork);
}

function addReadings({ c, n, week, copy, id, parent, common, page, figure }: WeekInWork): void {
  page(
    'overview',
    `Week ${n} at a glance`,
    `<p>${week.aim}</p>${figure(1)}<ol><li><a href="reading-1.html">${elementAt(week.pages, 0)[0]}</a></li><li><a href="reading-2.html">${elementAt(week.pages, 1)[0]}</a></li><li><a href="reading-3.html">${elementAt(week.pages, 2)[0]}</a></li></ol>`,
  );
  c.heading('Before class', { ref: `${id}-before`, parent, ...common });
  week.pages.forEach(([title, text], k) => {
    // The second import is not quite the first: somebody had changed two pages in between.
    const later =
      copy && ((n === 6 && k === 0) || (n === 8 && k === 2))
        ? ' Ask the technician for the new checklist before you leave.'
        : '';
    page(
      `reading-${k + 1}`,
      title,
      `<p>${text}${later}</p>${figure(2 + 3 * k)}${figure(3 + 3 * k)}${figure(4 + 3 * k)}`,
    );
  });
}

function addFieldwork({ c, n, week, copy, id, parent, common, page, figure }: WeekInWork): void {
  c.heading('In the field', { ref: `${id}-field`, parent, ...common });
  if (copy)
    c.placeAgain(`w${two(n)}-sheet`, `Field sheet, week ${n}`, { ref: `${id}-sheet`, parent, ...common });
  else
    c.fileItem(`Field sheet, week ${n}`, `sheets/week-${two(n)}/field-sheet.txt`, {
      ref: `${id}-sheet`,
      parent,
      ...common,
    });
  page(
    'pack',
    `Packing for ${week.site}`,
    `<p>Before the van leaves for ${week.site}: the kit of this week, dry clothes, something warm to drink.</p><p>Tick it off on the <a href="${base}/sheets/week-${two(n)}/checklist.txt">checklist</a>, look through the <a href="${base}/sheets/week-${two(n)}/risk-sheet.txt">risk sheet</a>, and take two <a href="${base}/sheets/week-${two(n)}/tally.txt">tally sheets</a>.</p>${figure(11)}${figure(12)}`,
  );
  c.assignment(
    week.lab[0],
    `<p>${week.lab[1]}</p><p>Data: ${Array.from({ length: 6 }, (_, k) => `<a href="${base}/data/week-${two(n)}/station-${k + 1}.csv">station ${k + 1}</a>`).join(', ')}</p>`,
    20,
    {
      ref: `${id}-lab`,
      parent,
      ...common,
      due: staleLabs.has(n) ? due(addDays(oldMonday(n), 4)) : due(addDays(monday(n), 4)),
    },
  );
}

function addAfterClass({ c, n, week, id, parent, common }: WeekInWork): void {
  c.heading('After class', { ref: `${id}-after`, parent, ...common });
  c.discussion(week.talk[0], week.talk[1], { ref: `${id}-talk`, parent, ...common });
  c.quiz(
    `Check yourself: ${week.title.toLowerCase()}`,
    week.quiz.map(([stem, answers, right]) => ({ stem: `<p>${stem}</p>`, answers, right, points: 2 })),
    {
      ref: `${id}-quiz`,
      parent,
      ...common,
      closes: staleQuizzes.has(n) ? due(addDays(oldMonday(n), 6)) : due(addDays(monday(n), 6)),
    },
  );
  for (const [k, [title, url]] of week.links.entries())
    c.webLink(title, url, {
      ref: `${id}-link-${k + 1}`,
      parent,
      ...common,
      ...(n === 11 && k === 0 ? { shown: false } : {}),
    });
}

const staleLabs = new Set([1, 2, 3, 7, 10, 12]);
const staleQuizzes = new Set([2, 5, 11]);

function addProject(c: ShellComposer): void {
  const parent = c.module('Site project', { ref: 'project', batch: firstImport });
  project.forEach(([title, text], i) => {
    // Written after the second import, so two of its links lead into the second copy.
    const links = new Map([
      [
        1,
        '<p>Revise <a href="../weeks-b/week-06/reading-1.html#bottles">tube, disc and meter</a> first.</p>',
      ],
      [3, '<p>See <a href="../weeks-b/week-05/reading-2.html">shifts after a flood</a>.</p>'],
    ]);
    const link = links.get(i) ?? '';
    const body = `<p>${text}</p>${link}`;
    if (i === 2)
      c.assignment(title, body, 60, {
        ref: 'project-report',
        parent,
        batch: firstImport,
        due: due(addDays(oldMonday(15), 3)),
        studentWork: 0,
      });
    else
      c.page(title, sheet(title, body), {
        ref: `project-${i + 1}`,
        parent,
        path: `project/page-${i + 1}.html`,
        batch: firstImport,
        modified: madeAt('2026-12-11'),
      });
  });
}

function addFieldDays(c: ShellComposer): void {
  const parent = c.module('Field days', { ref: 'field-days', batch: firstImport });
  fieldDays.forEach(([title, text], i) => {
    c.page(title, sheet(title, `<p>${text}</p>`), {
      ref: `field-day-${i + 1}`,
      parent,
      path: `field-days/day-${i + 1}.html`,
      batch: firstImport,
      ...(i === 3 ? { shown: false, modified: madeAt('2026-12-02') } : {}),
    });
  });
}

/** What stands at the end: modules that lost their contents, a page put twice, things hidden long ago. */
function addLeftOvers(c: ShellComposer): void {
  const hidden = c.module('Left over from Autumn 2025', {
    ref: 'left-over',
    shown: false,
    batch: firstImport,
    modified: madeAt('2025-12-15'),
  });
  const gauge = elementAt(elementAt(weeks, 2).pages, 0);
  c.page(
    `${gauge[0]} (2)`,
    sheet(
      gauge[0],
      `<p>${gauge[1]}</p>${[2, 3, 4].map((k) => `<figure><img src="${base}/pictures/week-03/view-${two(k)}.png" alt="Mill Weir, view ${k}"></figure>`).join('')}`,
    ),
    {
      ref: 'left-gauge',
      parent: hidden,
      path: 'left-over/gauge.html',
      modified: madeAt('2024-09-02'),
    },
  );
  c.page(
    'Reading list, Autumn 2025',
    sheet(
      'Reading list, Autumn 2025',
      '<p>The list of last autumn. Chapters two to five, and the two papers on shifts.</p>',
    ),
    { ref: 'left-list', parent: hidden, path: 'left-over/list.html', modified: madeAt('2025-08-20') },
  );
  c.module('Optional readings', { ref: 'optional', batch: firstImport });
  c.module('Guest talks', { ref: 'guests', batch: firstImport });
  c.page(
    'Meeting place, Autumn 2025',
    sheet('Meeting place, Autumn 2025', '<p>We met at the north gate at 8:15.</p>'),
    { outside: true, path: 'left-over/meeting.html', modified: madeAt('2025-08-20') },
  );
  c.page(
    'Welcome back',
    sheet(
      'Welcome back',
      '<p>Welcome to the autumn. Our first meeting is on Monday at nine in Laboratory 2.</p>',
    ),
    { outside: true, path: 'announcements/welcome.html', created: madeAt('2025-08-22') },
  );
}
