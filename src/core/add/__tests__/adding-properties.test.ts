import fc from 'fast-check';
import { applyEdits } from '@/core/edits/apply-edits';
import { invertEdits } from '@/core/edits/edit';
import { addDays, dateOf, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { linkGraphOf } from '@/core/links/graph';
import { shellRef } from '@/core/refs/refs';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { unsoundnessOf } from '@/core/shell/soundness';
import { titleKey } from '@/core/text/normalise';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { IncomingKey } from '../incoming';
import { needsOf } from '../needs';
import { addSo, type Added } from './add-so';

const autumn = { title: 'Autumn 2025', start: '2025-08-25' as LocalDate, end: '2025-12-12' as LocalDate };
const spring = { title: 'Spring 2027', start: '2027-01-11' as LocalDate, end: '2027-05-07' as LocalDate };

/** A page of a generated course: which text, where, hidden or not, due when, and which pictures and pages it shows. */
interface Drawn {
  readonly week: number;
  readonly title: number;
  readonly text: number;
  readonly hidden: boolean;
  readonly due: number | null;
  readonly pictures: readonly number[];
  readonly link: number | null;
}
const drawn: fc.Arbitrary<Drawn> = fc.record({
  week: fc.integer({ min: 0, max: 4 }),
  title: fc.integer({ min: 0, max: 6 }),
  text: fc.integer({ min: 0, max: 9 }),
  hidden: fc.boolean(),
  due: fc.option(fc.integer({ min: -60, max: 500 })),
  pictures: fc.uniqueArray(fc.integer({ min: 0, max: 3 }), { maxLength: 2 }),
  link: fc.option(fc.integer({ min: 0, max: 9 })),
});
interface DrawnCourse {
  readonly pages: readonly Drawn[];
  readonly hiddenWeeks: readonly number[];
  /** Which bytes each picture has. */
  readonly bytes: readonly number[];
}
const courses: fc.Arbitrary<DrawnCourse> = fc.record({
  pages: fc.array(drawn, { maxLength: 8 }),
  hiddenWeeks: fc.uniqueArray(fc.integer({ min: 1, max: 4 }), { maxLength: 2 }),
  bytes: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 4, maxLength: 4 }),
});

/** Week 0 is the top of the outline. Pages stand in the order of their weeks. */
function course(name: string, term: Shell['term'], { pages, hiddenWeeks, bytes }: DrawnCourse): Shell {
  const c = new ShellComposer({ ref: shellRef(name), title: name, term });
  for (const n of new Set(pages.flatMap(({ pictures }) => pictures)))
    c.file(`pictures/${n}.png`, `${name} ${bytes[n]}`.replace(name, bytes[n] === 0 ? 'both' : name));
  for (const week of [0, 1, 2, 3, 4]) {
    // A link that leads nowhere would lead to whatever lands at that path.
    const linked = (link: number | null) => (link === null ? null : link % pages.length);
    const inWeek = pages.flatMap((page, n) =>
      page.week === week ? [{ ...page, n, link: linked(page.link) }] : [],
    );
    if (inWeek.length === 0) continue;
    const shown = hiddenWeeks.includes(week) ? false : null;
    if (week > 0) c.module(`Week ${week}`, { ref: `w${week}`, shown });
    for (const page of inWeek) c.page(`Page ${page.title}`, bodyOf(page), placingOf(page, week));
  }
  return c.shell();
}

const bodyOf = ({ text, pictures, link }: Drawn): string => {
  const shown = pictures.map((n) => `<img src="../pictures/${n}.png">`).join('');
  const leads = link === null ? '' : `<a href="p${link}.html">on</a>`;
  return `<p>Text number ${text} of those that both courses may say to their students.</p>${shown}${leads}`;
};

const placingOf = ({ hidden, due, n }: Drawn & { readonly n: number }, week: number) => ({
  ref: `p${n}`,
  path: `pages/p${n}.html`,
  parent: week === 0 ? null : `w${week}`,
  shown: hidden ? false : null,
  due: due === null ? null : (`${addDays(autumn.start, due)}T23:59:00` as LocalDateTime),
});

const choices = fc.record({
  take: fc.constantFrom('proposed' as const, 'all' as const),
  differs: fc.constantFrom('keep' as const, 'replace' as const, 'beside' as const),
});
const datings = fc.constantFrom(
  'keep' as const,
  'week-and-weekday' as const,
  'shift' as const,
  'clear' as const,
);
const runs = { numRuns: Number(process.env['ADDING_RUNS'] ?? (process.env['DEEP'] ? 2_000 : 60)) };

const titlesByModule = (shell: Shell) =>
  shell.items.map((item) => [...outlineOf(shell).path(item), item.title].join(' › ')).sort();

test('nothing is taken that was not ticked or needed, and nothing that is needed is missing', () => {
  fc.assert(
    fc.property(courses, courses, choices, (here, there, wish) => {
      const [shell, source] = [course('here', spring, here), course('there', autumn, there)];
      const added = addSo(shell, source, wish);
      const { after, choice, preview } = added;
      expect(unsoundnessOf(after)).toBeNull();
      for (const key of added.landed.keys())
        expect(choice.ticked.has(key) || choice.needed.has(key) || choice.replaced.has(key)).toBe(true);
      const needs = needsOf(source);
      const firsts = new Map<string, string>(
        preview.things.map(({ key, firstCopy }) => [key, firstCopy ?? key]),
      );
      for (const [key, users] of choice.needed) {
        const isModule = key.startsWith('item w');
        for (const user of users)
          expect(isModule || needs[user]?.some((need) => firsts.get(need.key) === key) === true).toBe(true);
      }
      // Every picture of what landed shows the bytes that it showed in the source.
      for (const [key, { ref }] of added.landed)
        if (key.startsWith('item p'))
          expect(picturesOf(after, ref)).toEqual(picturesOf(source, key.slice(5)));
      const lonely = preview.things.filter(
        ({ key, type, standing }) =>
          type === 'file' && standing === 'new' && !choice.ticked.has(key) && !choice.needed.has(key),
      );
      for (const { ref } of lonely)
        expect(
          after.files.some(({ path }) => path === ref && !shell.files.some((f) => f.path === path)),
        ).toBe(false);
    }),
    runs,
  );
});

/** The hashes of the pictures that an item shows. */
function picturesOf(shell: Shell, ref: string): string[] {
  const item = shell.items.find((one) => one.ref === ref);
  const sums = new Map<string, string>(shell.files.map(({ path, sha256 }) => [`file:${path}`, sha256]));
  const edges = linkGraphOf(shell).outgoing.get(`content:${item?.content ?? ''}`) ?? [];
  return edges.flatMap(({ to }) => sums.get(to) ?? []).sort();
}

test('no module stands twice in one place that did not before', () => {
  fc.assert(
    fc.property(courses, courses, choices, (here, there, wish) => {
      const { after } = addSo(course('here', spring, here), course('there', autumn, there), wish);
      const names = after.items
        .filter(({ kind }) => kind === 'module')
        .map(({ parent, title }) => `${parent} ${titleKey(title)}`);
      expect(new Set(names).size).toBe(names.length);
    }),
    runs,
  );
});

test('what was hidden is never shown', () => {
  fc.assert(
    fc.property(courses, courses, choices, (here, there, wish) => {
      const [shell, source] = [course('here', spring, here), course('there', autumn, there)];
      const { after, landed, choice } = addSo(shell, source, wish);
      for (const item of source.items) {
        const key = `item ${item.ref}` as const;
        const at = landed.get(key);
        if (!at || item.kind === 'module' || choice.replaced.has(key)) continue;
        const isHidden = !outlineOf(after).isShown(after.items.find(({ ref }) => ref === at.ref) as Item);
        expect(at.hidden).toBe(isHidden);
        if (!outlineOf(source).isShown(item)) expect(isHidden).toBe(true);
      }
    }),
    runs,
  );
});

test('every date is as it was, moved by the rule, or cleared by choice', () => {
  fc.assert(
    fc.property(courses, courses, datings, (here, there, mode) => {
      const [shell, source] = [course('here', spring, here), course('there', autumn, there)];
      const { after, landed, dates } = addSo(shell, source, {}, { dating: { mode, days: 10 } });
      for (const { ref, due } of source.items) {
        const at = landed.get(`item ${ref}`);
        if (!at || due === null) continue;
        const now = after.items.find((item) => item.ref === at.ref)?.due ?? null;
        expect(dates.rows.get(ref)?.map((row) => row.new)).toEqual([now]);
        expect(now).toEqual(expectedDue(due, mode));
      }
    }),
    runs,
  );
});

/** The rule of plan-and-run.md for two terms without no-class days, written down once more. */
function expectedDue(
  due: LocalDateTime,
  mode: 'keep' | 'week-and-weekday' | 'shift' | 'clear',
): LocalDateTime | null {
  const day = dateOf(due);
  const time = due.slice(10);
  if (mode === 'keep') return due;
  if (mode === 'clear') return null;
  const isFar = day < addDays(autumn.start, -14) || day > addDays(autumn.end, 14);
  const isHere = day >= spring.start && day <= spring.end;
  if (isFar || isHere) return due;
  if (mode === 'shift') return `${addDays(day, 10)}${time}` as LocalDateTime;
  const daysFrom = (from: LocalDate, to: LocalDate) =>
    Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);
  if (day < autumn.start)
    return `${addDays(spring.start, daysFrom(autumn.start, day))}${time}` as LocalDateTime;
  if (day > autumn.end) return `${addDays(spring.end, daysFrom(autumn.end, day))}${time}` as LocalDateTime;
  // Both terms begin on a Monday, so that the same week and weekday is the same number of days from the first.
  return `${addDays(spring.start, daysFrom(autumn.start, day))}${time}` as LocalDateTime;
}

test('the second adding proposes nothing, and undo gives the target back', () => {
  fc.assert(
    fc.property(courses, courses, choices, (here, there, wish) => {
      const [shell, source] = [course('here', spring, here), course('there', autumn, there)];
      const first = addSo(shell, source, wish);
      expect(applyEdits(first.after, invertEdits(first.edits))).toEqual(shell);
      const again = addSo(first.after, source);
      // What was left out the first time is left out again; its second copies are second copies.
      const isOpen = ({ standing, kind, leftOut }: Added['preview']['things'][number]) =>
        standing === 'new' && kind !== 'module' && leftOut === null;
      // Where pages were replaced, a page that links to one of them may be another page by that.
      const isAsked = (key: IncomingKey) => wish.differs !== 'replace' || first.landed.has(key);
      const open = again.preview.things.filter(
        (thing) => isAsked(thing.key) && (thing.proposed || isOpen(thing)),
      );
      expect(open.map(({ key }) => key)).toEqual([]);
      if (wish.differs !== 'replace') expect(again.edits).toEqual([]);
    }),
    runs,
  );
});

test('two sources in either order give the same outline but for the order inside equal places', () => {
  // What both say is there after the first of them, at its place: the order is told of courses that share nothing.
  const apart = ({ pages, ...more }: DrawnCourse): DrawnCourse => ({
    ...more,
    pages: pages.map((page) => ({ ...page, title: page.title + 10, text: page.text + 10 })),
  });
  fc.assert(
    fc.property(courses, courses, courses, (here, one, two) => {
      const shell = course('here', spring, here);
      const [first, second] = [course('one', autumn, one), course('two', autumn, apart(two))];
      const inOrder = addSo(addSo(shell, first).after, second).after;
      const turned = addSo(addSo(shell, second).after, first).after;
      expect(titlesByModule(turned)).toEqual(titlesByModule(inOrder));
      const modules = (of: Shell) =>
        of.items.filter(({ kind }) => kind === 'module').map(({ title }) => title);
      expect(modules(turned)).toEqual(modules(inOrder));
    }),
    runs,
  );
});
