import fc from 'fast-check';
import type { CourseEvent, GradeCategory, GradeColumn, Group, HomePage, Shell } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef, groupRef, itemRef, shellRef } from '@/core/refs/refs';
import { parseLocalDate } from '@/core/dates/local-date';
import { ShellComposer, type Placing } from '@/formats/cartridge/compose-shell';
import { readCalendar, type CalendarReading } from '@/formats/icalendar/read-calendar';
import { resetAreas } from '@/core/plan/areas/areas';
import type { WrittenStep } from '../written-step';
import { hand } from './written-plans';

/** Where the web links of generated shells lead, and where a plan leads them; the second needs escaping everywhere. */
const webAddress = 'https://reading.example/units?a=1&b=2';
const movedAddress = `https://reading.example/new?a=1&b="2"&c='3'`;
const termEnd = parseLocalDate('2027-05-07');

/** What the generated shells are made of; small numbers point at things that may or may not be there. */
const parts = fc.record({
  modules: fc.array(fc.record({ parent: fc.nat(5), shown: fc.option(fc.boolean()) }), { maxLength: 4 }),
  pages: fc.array(
    fc.record({
      parent: fc.nat(5),
      links: fc.array(fc.nat(12), { maxLength: 4 }),
      picture: fc.option(fc.nat(4)),
      outside: fc.boolean(),
      work: fc.nat(3),
      shown: fc.option(fc.boolean()),
      text: fc.nat(3),
      based: fc.boolean(),
      key: fc.boolean(),
      requires: fc.array(fc.nat(7), { maxLength: 2 }),
    }),
    { maxLength: 8 },
  ),
  files: fc.array(
    fc.record({
      css: fc.boolean(),
      links: fc.array(fc.nat(5), { maxLength: 2 }),
      bytes: fc.nat(2),
      placed: fc.boolean(),
      readers: fc.constantFrom(null, 'all' as const, 'staff' as const),
    }),
    { maxLength: 5 },
  ),
  talks: fc.array(fc.record({ links: fc.array(fc.nat(12), { maxLength: 2 }), announcement: fc.boolean() }), {
    maxLength: 2,
  }),
  tasks: fc.array(fc.record({ column: fc.nat(3), points: fc.option(fc.nat(20)), due: fc.boolean() }), {
    maxLength: 3,
  }),
  quizzes: fc.array(fc.record({ questions: fc.integer({ min: 1, max: 3 }) }), { maxLength: 2 }),
  bank: fc.boolean(),
  webLinks: fc.nat(2),
  depends: fc.array(fc.tuple(fc.nat(8), fc.nat(5)), { maxLength: 2 }),
  events: fc.array(
    fc.record({
      rule: fc.constantFrom('', 'FREQ=WEEKLY;COUNT=8', 'FREQ=WEEKLY;BYDAY=TU', 'FREQ=DAILY;COUNT=3'),
      start: fc.constantFrom(
        'TZID=Europe/Dublin:20270112T140000',
        ':20270112T140000Z',
        'VALUE=DATE:20270112',
      ),
      override: fc.boolean(),
      range: fc.boolean(),
    }),
    { maxLength: 3 },
  ),
  categories: fc.nat(2),
  columns: fc.array(fc.record({ category: fc.option(fc.nat(1)), results: fc.option(fc.nat(1)) }), {
    maxLength: 3,
  }),
  groups: fc.nat(2),
  home: fc.boolean(),
});
type Parts = typeof parts extends fc.Arbitrary<infer T> ? T : never;

/** Shells of every shape: nested modules, bodies that link to each other, bases, quizzes, banks, series with overrides, grade setup. */
export const shells: fc.Arbitrary<Shell> = parts.map(composeShell);

/** A generated shell with the bytes that it is made of, to write it as a package. */
export const composedShells: fc.Arbitrary<{ readonly shell: Shell; readonly composer: ShellComposer }> =
  parts.map((drawn) => {
    const composer = composerOf(drawn);
    return { shell: { ...composer.shell(), ...setupOf(drawn, composer.shell()) }, composer };
  });

function composeShell(drawn: Parts): Shell {
  const shell = composerOf(drawn).shell();
  return { ...shell, ...setupOf(drawn, shell) };
}

function composerOf(drawn: Parts): ShellComposer {
  const { pages, files } = drawn;
  const c = new ShellComposer({
    ref: shellRef('generated'),
    title: 'Generated',
    code: 'GEN 1',
    timeZone: 'Europe/Dublin',
    term: { title: 'Spring 2027', start: parseLocalDate('2027-01-11'), end: termEnd },
  });
  const filePath = (i: number) => `files/f${i}.${files[i]?.css ? 'css' : 'bin'}`;
  const pagePath = (i: number) => `pages/p${i}.html`;
  const address = (n: number): string => {
    if (n < pages.length) return `../${pagePath(n)}#part`;
    return n - pages.length < files.length ? `../${filePath(n - pages.length)}?v=1` : '../nowhere.html';
  };
  drawn.modules.forEach(({ parent, shown }, i) =>
    c.module(`Module ${i}`, { ref: `m${i}`, parent: parent < i ? `m${parent}` : null, shown }),
  );
  files.forEach((f, i) => {
    const rules = f.links
      .filter((l) => l < files.length && l !== i)
      .map((l) => `h2{background:url(f${l}.${files[l]?.css ? 'css' : 'bin'})}`);
    const data = f.css ? `h1{content:"${f.bytes}"} ${rules.join(' ')}` : `bytes ${f.bytes}`;
    c.file(filePath(i), data, { readableBy: f.readers });
    if (f.placed) c.fileItem(`File ${i}`, filePath(i), { ref: `fi${i}` });
  });
  for (let i = 0; i < drawn.webLinks; i += 1) c.webLink(`Link ${i}`, webAddress, { ref: `w${i}` });
  const placedRefs = pages.flatMap((p, i) => (p.outside ? [] : [`p${i}`]));
  pages.forEach((p, i) => {
    const spelled = (n: number) => (p.based ? address(n).replace(/^\.\.\//, '') : address(n));
    const links = p.links.map((l) => `<a href="${spelled(l)}" title="1 > 0">link</a>`).join(' ');
    const picture =
      p.picture === null ? '' : `<img srcset="${spelled(pages.length + p.picture)} 2x" alt="pH > 7">`;
    const head = p.based ? '<head><base href="../"></head>' : '';
    const about: Placing = {
      ref: `p${i}`,
      path: pagePath(i),
      outside: p.outside,
      parent: p.parent < drawn.modules.length ? `m${p.parent}` : null,
      studentWork: [0, 0, null, 2][p.work] ?? null,
      shown: p.shown,
      requires: p.requires
        .map((r) => placedRefs[r])
        .filter((ref) => ref !== undefined && ref !== `p${i}`)
        .map((ref) => itemRef(ref ?? '')),
    };
    const body = `<p>Text number ${p.text} about the stream. It is due soon.</p>${links}${picture}`;
    c.page(p.key ? `Page ${i} answer key` : `Page ${i}`, `<html>${head}<body>${body}</body></html>`, about);
  });
  drawn.talks.forEach((t, i) => {
    const body = t.links.map((l) => `<a href="$IMS-CC-FILEBASE$/${address(l).slice(3)}">x</a>`).join('');
    c.discussion(`Talk ${i}`, body, { ref: `d${i}` });
  });
  drawn.tasks.forEach((t, i) =>
    c.assignment(`Task ${i}`, '<p>Do it well.</p>', t.points, {
      ref: `t${i}`,
      gradeColumn: t.column < drawn.columns.length ? `c${t.column}` : null,
      due: t.due ? ('2027-02-01T23:59:59' as never) : null,
    }),
  );
  drawn.quizzes.forEach(({ questions }, i) => {
    const list = Array.from({ length: questions }, (_, k) => ({
      stem: `Question ${k}?`,
      answers: ['yes', 'no'],
      right: 0,
      points: 1,
    }));
    c.quiz(`Quiz ${i}`, list, { ref: `q${i}` });
  });
  if (drawn.bank)
    c.bank('pool', [{ stem: 'Deep?', answers: ['a', 'b'], right: 1, points: 2 }], 'banks/pool.xml');
  const placed = c.shell().items;
  for (const [from, on] of drawn.depends) {
    const item = placed[from];
    if (item?.content && item.kind === 'page' && on < files.length) c.depends(item.ref, filePath(on));
  }
  return c;
}

function setupOf(drawn: Parts, shell: Shell): Partial<Shell> {
  const calendar = calendarOf(drawn);
  const categories = Array.from({ length: drawn.categories }, (_, i): GradeCategory => ({
    ref: gradeCategoryRef(`k${i}`),
    title: `Category ${i}`,
    weight: null,
    extra: {},
  }));
  const columns = drawn.columns.map(({ category, results }, i): GradeColumn => ({
    ref: gradeColumnRef(`c${i}`),
    title: `Column ${i}`,
    category: category !== null && category < categories.length ? gradeCategoryRef(`k${category}`) : null,
    points: 10,
    results,
    extra: {},
  }));
  const groups = Array.from({ length: drawn.groups }, (_, i): Group => ({
    ref: groupRef(`g${i}`),
    title: `Group ${i}`,
  }));
  const pages = shell.items.filter((i) => i.kind === 'page').slice(0, 2);
  const homePages = pages.map((page, i): HomePage => ({ ref: page.ref, title: page.title, inUse: i === 0 }));
  return {
    gradeCategories: categories,
    gradeColumns: columns,
    groups,
    homePages: drawn.home ? homePages : [],
    events: calendar.events,
    calendar: drawn.events.length ? calendar.frame : null,
  };
}

function calendarOf(drawn: Parts): CalendarReading {
  const lines = drawn.events.flatMap((e, i) => eventLines(e, i));
  const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//x//EN', ...lines, 'END:VCALENDAR', ''];
  const read = readCalendar(
    text.join('\r\n'),
    'x.ics',
    { wanted: 'Europe/Dublin', otherwise: 'UTC' },
    termEnd,
  );
  if (!read.ok) throw new Error(read.trouble.message);
  return read.value;
}

/** An event; a series may have its second date changed, for that day alone or for all that follow. */
function eventLines(e: Parts['events'][number], i: number): string[] {
  const spelled = (day: string) => e.start.replace('20270112', day).replace(/^(?=[A-Z])/, ';');
  const event = (lines: string[]) => [
    'BEGIN:VEVENT',
    `UID:e${i}`,
    'DTSTAMP:20261201T080000Z',
    ...lines,
    'END:VEVENT',
  ];
  const series = event([
    `SUMMARY:Event ${i}`,
    `DTSTART${spelled('20270112')}`,
    ...(e.rule ? [`RRULE:${e.rule}`] : [`URL:${meeting}`]),
  ]);
  const second = e.rule.startsWith('FREQ=DAILY') ? '20270113' : '20270119';
  const range = e.range ? ';RANGE=THISANDFUTURE' : '';
  const override = event([
    `SUMMARY:Event ${i} moved`,
    `RECURRENCE-ID${range}${spelled(second)}`,
    `DTSTART${spelled('20270121')}`,
  ]);
  return e.rule && e.override ? [...series, ...override] : series;
}

const dayTime = '2027-02-01T23:59:59';
const occurrences = (events: readonly CourseEvent[], ref: string): string[] =>
  events.find((e) => e.ref === ref)?.occurrences.slice(1, 3) ?? ['2027-01-19T14:00:00'];

/** Steps of every action on a shell, sensible or not, as somebody might write them. */
export function writtenPlans(shell: Shell): fc.Arbitrary<WrittenStep[]> {
  const refs = [
    ...shell.items.map((i) => i.ref as string),
    ...shell.files.map((f) => f.path as string),
    ...shell.events.map((e) => e.ref as string),
    ...shell.gradeCategories.map((c) => c.ref as string),
    ...shell.gradeColumns.map((c) => c.ref as string),
    ...shell.banks.map((b) => b.ref as string),
    ...shell.groups.map((g) => g.ref as string),
    'nothing-of-the-kind',
  ];
  const questions = shell.contents.flatMap((c) => c.questions.map((q) => q.ident));
  const idents = [...questions.slice(0, 2), ...questions.slice(-1), 'no-such-question'];
  const path = shell.contents.flatMap((c) => c.files)[0] ?? 'nowhere';
  const ref = fc.constantFrom(...refs);
  const some = fc.uniqueArray(ref, { minLength: 1, maxLength: 5 });
  const each = (targets: string[], value: (ref: string) => unknown) =>
    Object.fromEntries(targets.map((t) => [t, value(t)]));
  const step = (make: (targets: string[], other: string, n: number) => WrittenStep) =>
    fc.tuple(some, ref, fc.nat(20)).map(([targets, other, n]) => make(targets, other, n));
  const place = (other: string, n: number) => ({
    into: n % 3 === 0 ? null : other,
    before: n % 4 === 0 ? other : null,
  });
  const kinds = [
    step((t, other, n) =>
      hand('add', [`new${n}`], { kind: 'module', titles: { [`new${n}`]: `New ${n}` }, ...place(other, n) }),
    ),
    step((t, other, n) =>
      hand('add', [`shown${n}`], {
        kind: 'file',
        titles: { [`shown${n}`]: `Shown ${n}` },
        files: { [`shown${n}`]: shell.files[n % Math.max(1, shell.files.length)]?.path ?? 'nowhere' },
        ...place(other, n),
      }),
    ),
    step((t) => hand('clear-dates', t)),
    step((t) => hand('delete', t)),
    step((t, other) => hand('delete', t, { relink: each(t, () => other) })),
    step((t) => hand('delete', t, { unlink: true })),
    step((t) => hand('delete', t, { leaveBroken: true })),
    step((t) => hand('delete', t, { questions: idents })),
    step((t) =>
      hand('drop-link', t, {
        links: each(t, (r) => [shell.events.find((e) => e.ref === r)?.links[0] ?? meeting]),
      }),
    ),
    // Half of them are about what an item really requires: any other would seldom come to anything.
    step((t, other, n) =>
      hand('drop-requirement', t, {
        requirements: each(t, (r) => [n % 2 ? other : (requiredBy(shell, r) ?? other)]),
      }),
    ),
    step((t) =>
      hand('edit-text', t, {
        sentences: each(t, () => [{ from: 'It is due soon.', to: 'It is due & done.' }]),
      }),
    ),
    step((t, _, n) => hand('end-recurrence', t, { until: n % 2 ? '2027-01-25' : '2027-03-01' })),
    step((t) => hand('exclude-occurrence', t, { occurrences: each(t, (r) => occurrences(shell.events, r)) })),
    step((t, _, n) => hand('file-access', t, { readers: n % 2 ? 'all' : 'staff' })),
    step((t) => hand('hide', t)),
    step((t) => hand('show', t)),
    step((t) => hand('lift-out', t)),
    step((t, other) => hand('merge', t, { with: each(t, () => other) })),
    step((t, other, n) => hand('move', t, place(other, n))),
    step((t, other, n) => hand('place', t, place(other, n))),
    step((t, _, n) =>
      hand('re-date', t, {
        dates: each(t, (r) =>
          r.startsWith('e')
            ? { start: n % 2 ? '2027-01-19T00:00:00' : '2027-01-13T00:00:00' }
            : { due: dayTime, opens: null },
        ),
      }),
    ),
    step((t, _, n) =>
      hand('re-date', t, {
        dates: each(t, () => ({
          start: '2027-01-18T10:00:00',
          series: {
            rule: `FREQ=WEEKLY;COUNT=${2 + (n % 5)}`,
            excluded: n % 2 ? ['2027-01-25T10:00:00'] : [],
            extra: [],
          },
        })),
      }),
    ),
    step((t, other) => hand('relink', t, { to: each(t, () => other) })),
    step((t) => hand('relink', t, { addresses: { '../nowhere.html': path, 'nowhere.html': path } })),
    step((t) =>
      hand('relink', t, { addresses: { [webAddress]: movedAddress, '../nowhere.html': movedAddress } }),
    ),
    step((t, _, n) => hand('rename', t, { titles: each(t, (r) => `${r} renamed ${n % 3}`) })),
    step((t, other, n) =>
      hand('repeat', [`copy${n}`], { item: other, titles: { [`copy${n}`]: `Copy ${n}` } }),
    ),
    step((_, other, n) =>
      hand('reset-area', [resetAreas[n % resetAreas.length] ?? 'items'], { keep: [other] }),
    ),
    step((t) => hand('set-aside', t)),
    step((t, _, n) => hand('set-category', t, { categories: each(t, () => `k${n % 2}`) })),
    step((t, _, n) =>
      hand('set-facts', [shell.ref], {
        code: `GEN ${n}`,
        term: { title: 'Autumn 2027', start: '2027-08-30', end: '2027-12-10' },
      }),
    ),
    step((t) => hand('set-home-page', t)),
    step((t, _, n) => hand('set-points', t, { points: each(t, () => (n % 5 ? n : null)) })),
    step((t) => hand('sort', t)),
    step((t) =>
      hand('unlink', t, {
        drop: [
          '../nowhere.html',
          'nowhere.html',
          '../files/f0.bin?v=1',
          'files/f0.bin?v=1',
          '../pages/p1.html#part',
        ],
      }),
    ),
  ];
  return fc.array(fc.oneof(...kinds), { maxLength: 8 });
}

const meeting = 'https://meet.example.org/old';
const requiredBy = (shell: Shell, ref: string): string | undefined =>
  shell.items.find((item) => item.ref === ref)?.requires[0];
