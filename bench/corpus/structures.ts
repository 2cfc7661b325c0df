import type { CourseEvent, Shell } from '@/core/shell/model';
import { eventRef, gradeCategoryRef, gradeColumnRef, itemRef } from '@/core/refs/refs';
import type { LocalDateTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { dice } from './prose';

/** What a builder may use: the shell in the making, a number of its own, a fresh paragraph, dice. */
export interface Bench {
  readonly c: ShellComposer;
  readonly k: number;
  readonly text: () => string;
  readonly d: ReturnType<typeof dice>;
  /** Parts of the shell that the composer does not make. */
  readonly more: {
    events: CourseEvent[];
    categories: Shell['gradeCategories'][number][];
    columns: Shell['gradeColumns'][number][];
  };
}
/** Plants one fault or one decoy; the answer is the ref that must, or must not, be among a finding's subjects. */
export interface Structure {
  readonly check: string;
  readonly fault: (b: Bench) => string;
  readonly decoy: (b: Bench) => string;
}

const at = (day: string) => `${day}T10:00:00` as LocalDateTime;
const page = ({ c, text }: Bench, title: string, ref: string, over: object = {}, html = '') =>
  c.page(title, `<p>${text()}</p>${html}`, { ref, path: `${ref}/index.html`, ...over });
const names = (b: Bench, kind: string) => `${kind}${b.k}`;
const event = (b: Bench, title: string, day: string, over: Partial<CourseEvent> = {}): string => {
  const ref = eventRef(`${title}-${b.k}`.replace(/\W+/g, '-'));
  b.more.events.push({
    ref,
    uid: ref,
    recurrenceId: null,
    title: `${title} ${b.k}`,
    start: at(day),
    end: at(day),
    allDay: false,
    recurrence: null,
    occurrences: [at(day)],
    location: '',
    links: [],
    description: '',
    created: null,
    stamped: null,
    modified: null,
    source: '',
    ...over,
  });
  return ref;
};
const question = (stem: string, right = 0) => ({
  stem,
  answers: ['more', 'less', 'as much'],
  right,
  points: 1,
});

export const structures: readonly Structure[] = [
  {
    check: 'duplicate.same-content',
    fault: (b) => {
      const t = b.text();
      b.c.page(`A${b.k}`, `<p>${t}</p>`, { ref: names(b, 'a') });
      b.c.page(`B${b.k}`, `<div><b>${t.toUpperCase()}</b></div>`, { ref: names(b, 'b') });
      return names(b, 'b');
    },
    decoy: (b) => {
      const t = b.text();
      b.c.page(`A${b.k}`, `<p>${t}</p>`, { ref: names(b, 'a') });
      b.c.page(`B${b.k}`, `<p>${t} Not so on Mondays.</p>`, { ref: names(b, 'b') });
      return names(b, 'b');
    },
  },
  {
    check: 'duplicate.near-content',
    fault: (b) => {
      const t = `${b.text()} ${b.text()}`;
      b.c.page(`A${b.k}`, `<p>${t}</p>`, { ref: names(b, 'a') });
      const w = t.split(' ');
      w[b.d.below(w.length)] = 'elsewhere';
      b.c.page(`B${b.k}`, `<p>${w.join(' ')} Ask before you leave.</p>`, { ref: names(b, 'b') });
      return names(b, 'b');
    },
    decoy: (b) => {
      const t = b.text();
      b.c.page(`A${b.k}`, `<p>${t}</p>`, { ref: names(b, 'a') });
      b.c.page(`B${b.k}`, `<p>${t} ${b.text()} ${b.text()}</p>`, { ref: names(b, 'b') });
      return names(b, 'b');
    },
  },
  {
    check: 'duplicate.copy-title',
    fault: (b) => {
      page(b, `Site ${b.k}`, names(b, 'a'));
      page(
        b,
        b.d.pick([`Copy of Site ${b.k}`, `Site ${b.k} - Copy`, `Site ${b.k} copy 2`, `Site ${b.k} (2)`]),
        names(b, 'b'),
      );
      return names(b, 'b');
    },
    decoy: (b) => {
      page(b, `Site ${b.k}`, names(b, 'a'));
      page(
        b,
        b.d.pick([
          `Copying site ${b.k}`,
          `Site ${b.k} (upper)`,
          `Copy of the map ${b.k}`,
          `Site ${b.k} copybook`,
        ]),
        names(b, 'b'),
      );
      return names(b, 'b');
    },
  },
  {
    check: 'duplicate.same-file',
    fault: (b) => {
      const t = b.text();
      b.c.file(`f/${b.k}.txt`, t);
      b.c.file(`g/${b.k} (1).txt`, t);
      return `g/${b.k} (1).txt`;
    },
    decoy: (b) => {
      const t = b.text();
      b.c.file(`f/${b.k}.txt`, t);
      b.c.file(`g/${b.k} (1).txt`, `${t} `);
      return `g/${b.k} (1).txt`;
    },
  },
  {
    check: 'duplicate.question',
    fault: (b) => {
      const t = b.text();
      b.c.quiz(`Q${b.k}`, [question(t), question(`Else ${b.k}?`), question(`<p>${t}</p>`)], {
        ref: names(b, 'q'),
      });
      return names(b, 'q');
    },
    decoy: (b) => {
      const t = b.text();
      b.c.quiz(`Q${b.k}`, [question(t), question(t, 1)], { ref: names(b, 'q') });
      return names(b, 'q');
    },
  },
  {
    check: 'duplicate.link',
    fault: (b) => {
      const m = b.c.module(`M${b.k}`);
      b.c.webLink('A', `https://streams.example/${b.k}`, { ref: names(b, 'a'), parent: m });
      b.c.webLink('B', `HTTPS://Streams.example:443/${b.k}/?utm_source=x`, { ref: names(b, 'b'), parent: m });
      return names(b, 'b');
    },
    decoy: (b) => {
      const m = b.c.module(`M${b.k}`);
      b.c.webLink('A', `https://streams.example/${b.k}`, { ref: names(b, 'a'), parent: m });
      b.c.webLink('B', `https://streams.example/${b.k}#notes`, { ref: names(b, 'b'), parent: m });
      return names(b, 'b');
    },
  },
  {
    check: 'duplicate.placed-twice',
    fault: (b) => {
      page(b, `P${b.k}`, names(b, 'a'));
      b.c.placeAgain(names(b, 'a'), `Again ${b.k}`, { ref: names(b, 'b') });
      return names(b, 'b');
    },
    decoy: (b) => {
      page(b, `P${b.k}`, names(b, 'a'));
      page(b, `P${b.k}`, names(b, 'b'));
      return names(b, 'b');
    },
  },
  {
    check: 'orphan.unused-file',
    fault: (b) => {
      b.c.file(`lost/${b.k}.png`, b.text());
      page(b, `P${b.k}`, names(b, 'p'), {}, `<!-- <img src="../lost/${b.k}.png"> --> lost/${b.k}.png`);
      return `lost/${b.k}.png`;
    },
    decoy: (b) => {
      b.c.file(`kept/${b.k} a.png`, b.text());
      page(
        b,
        `P${b.k}`,
        names(b, 'p'),
        {},
        b.d.pick([
          `<img src="../kept/${b.k}%20a.png" alt="">`,
          `<div style="background:url('../kept/${b.k} a.png')">x</div>`,
          `<a href="../KEPT/${b.k}%20A.PNG#top">x</a>`,
        ]),
      );
      return `kept/${b.k} a.png`;
    },
  },
  {
    check: 'orphan.unreachable-page',
    fault: (b) => {
      b.c.page(`Lost ${b.k}`, `<p>${b.text()}</p>`, { outside: true, path: `lost/${b.k}.html` });
      return b.c.shell().items.at(-1)!.ref;
    },
    decoy: (b) => {
      b.c.page(`Found ${b.k}`, `<p>${b.text()}</p>`, { outside: true, path: `found/${b.k}.html` });
      const ref = b.c.shell().items.find((i) => i.title === `Found ${b.k}`)!.ref;
      page(b, `P${b.k}`, names(b, 'p'), {}, `<a href="../found/${b.k}.html?x=1">on</a>`);
      return ref;
    },
  },
  {
    check: 'orphan.broken-link',
    fault: (b) => {
      page(
        b,
        `P${b.k}`,
        names(b, 'p'),
        {},
        b.d.pick([
          `<a href="gone-${b.k}.html">on</a>`,
          `<img src="../img/gone-${b.k}.png" alt="">`,
          `<a href="$IMS-CC-FILEBASE$/gone-${b.k}.pdf">x</a>`,
        ]),
      );
      return names(b, 'p');
    },
    decoy: (b) => {
      page(
        b,
        `P${b.k}`,
        names(b, 'p'),
        {},
        b.d.pick([
          `<a href="#gone-${b.k}">on</a>`,
          `<a href="/gone/${b.k}">x</a>`,
          `<a href="https://x.example/gone">x</a>`,
          `<!-- <a href="gone.html">x</a> -->`,
          `<a href="mailto:a@x.example">x</a>`,
        ]),
      );
      return names(b, 'p');
    },
  },
  {
    check: 'orphan.empty-module',
    fault: (b) => b.c.module(`Empty ${b.k}`, { ref: names(b, 'm') }),
    decoy: (b) => {
      const m = b.c.module(`Full ${b.k}`, { ref: names(b, 'm') });
      page(b, `P${b.k}`, names(b, 'p'), { parent: m, shown: false });
      return m;
    },
  },
  {
    check: 'orphan.unplaced-activity',
    fault: (b) => {
      b.c.assignment(`Kept ${b.k}`, `<p>${b.text()}</p>`, 5);
      b.c.assignment(`Loose ${b.k}`, `<p>${b.text()}</p>`, 5, { outside: true });
      return b.c.shell().items.find((i) => i.title === `Loose ${b.k}`)!.ref;
    },
    decoy: (b) => {
      b.c.assignment(`Linked ${b.k}`, `<p>${b.text()}</p>`, 5, { outside: true, path: `tasks/${b.k}.xml` });
      page(b, `P${b.k}`, names(b, 'p'), {}, `<a href="../tasks/${b.k}.xml">do it</a>`);
      return b.c.shell().items.find((i) => i.title === `Linked ${b.k}`)!.ref;
    },
  },
  {
    check: 'outdated.date-order',
    fault: (b) =>
      b.c.assignment(`A${b.k}`, `<p>${b.text()}</p>`, 5, {
        ref: names(b, 'a'),
        opens: at('2027-03-10'),
        due: at('2027-03-01'),
      }),
    decoy: (b) =>
      b.c.assignment(`A${b.k}`, `<p>${b.text()}</p>`, 5, {
        ref: names(b, 'a'),
        opens: at('2027-03-01'),
        due: at('2027-03-10'),
        closes: at('2027-03-10'),
      }),
  },
  {
    check: 'outdated.date-outside-term',
    fault: (b) =>
      b.c.assignment(`A${b.k}`, `<p>${b.text()}</p>`, 5, {
        ref: names(b, 'a'),
        due: at(b.d.pick(['2025-10-01', '2026-12-27', '2027-05-22'])),
      }),
    decoy: (b) =>
      b.c.assignment(`A${b.k}`, `<p>${b.text()}</p>`, 5, {
        ref: names(b, 'a'),
        due: at(b.d.pick(['2027-01-11', '2026-12-28', '2027-05-21', '2027-05-07'])),
      }),
  },
  {
    check: 'outdated.old-shell-link',
    fault: (b) =>
      page(b, `P${b.k}`, names(b, 'p'), {}, `<a href="https://campus.example/shells/${b.k}/a">x</a>`),
    decoy: (b) =>
      page(
        b,
        `P${b.k}`,
        names(b, 'p'),
        {},
        b.d.pick([
          `<a href="https://campus.example/library/${b.k}">x</a>`,
          `<a href="https://notcampus.example/shells/${b.k}">x</a>`,
          `campus.example/shells/${b.k}`,
        ]),
      ),
  },
  {
    check: 'outdated.superseded-version',
    fault: (b) => {
      page(b, `Plan of site ${name(b.k)} v1`, names(b, 'a'));
      page(b, `Plan of site ${name(b.k)} v2`, names(b, 'b'));
      return names(b, 'a');
    },
    decoy: (b) => {
      page(b, `Plan of site ${name(b.k)} part 1`, names(b, 'a'));
      page(b, `Plan of site ${name(b.k)} part 2`, names(b, 'b'));
      return names(b, 'a');
    },
  },
  {
    check: 'outdated.other-course',
    fault: (b) =>
      page(
        b,
        b.d.pick([`GEO 130 notes ${name(b.k)}`, `Notes ${name(b.k)} (BIO355)`, `MAT-120: ${name(b.k)}`]),
        names(b, 'p'),
      ),
    decoy: (b) =>
      page(
        b,
        b.d.pick([
          `HYD 214 notes ${name(b.k)}`,
          `RFC 793 and ${name(b.k)}`,
          `Prerequisite GEO 130: ${name(b.k)}`,
          `Room LAB 101 ${name(b.k)}`,
        ]),
        names(b, 'p'),
      ),
  },
  {
    check: 'visibility.hidden-item',
    fault: (b) => page(b, `P${b.k}`, names(b, 'p'), { shown: false }),
    decoy: (b) => {
      const m = b.c.module(`Hidden ${b.k}`, { shown: false });
      return page(b, `P${b.k}`, names(b, 'p'), { parent: m, shown: false });
    },
  },
  {
    check: 'visibility.hidden-target',
    fault: (b) => {
      page(b, `T${b.k}`, names(b, 't'), { shown: false });
      return page(b, `P${b.k}`, names(b, 'p'), {}, `<a href="../${names(b, 't')}/index.html">x</a>`);
    },
    decoy: (b) => {
      page(b, `T${b.k}`, names(b, 't'), { shown: false });
      b.c.placeAgain(names(b, 't'), `T${b.k}`);
      return page(b, `P${b.k}`, names(b, 'p'), {}, `<a href="../${names(b, 't')}/index.html">x</a>`);
    },
  },
  {
    check: 'visibility.unreadable-file',
    fault: (b) => {
      b.c.file(`s/${b.k}.csv`, b.text(), { readableBy: 'staff' });
      page(b, `P${b.k}`, names(b, 'p'), {}, `<a href="../s/${b.k}.csv">x</a>`);
      return `s/${b.k}.csv`;
    },
    decoy: (b) => {
      b.c.file(`s/${b.k}.csv`, b.text(), { readableBy: 'staff' });
      page(b, `P${b.k}`, names(b, 'p'), { shown: false }, `<a href="../s/${b.k}.csv">x</a>`);
      return `s/${b.k}.csv`;
    },
  },
  {
    check: 'visibility.never-open',
    fault: (b) =>
      page(
        b,
        `P${b.k}`,
        names(b, 'p'),
        b.d.pick([
          { closes: at('2025-10-01') },
          { opens: at('2027-05-08') },
          { opens: at('2027-03-02'), closes: at('2027-03-01') },
        ]),
      ),
    decoy: (b) =>
      page(
        b,
        `P${b.k}`,
        names(b, 'p'),
        b.d.pick([
          { closes: at('2027-06-01') },
          { opens: at('2025-10-01') },
          { opens: at('2027-03-01'), closes: at('2027-03-02') },
        ]),
      ),
  },
  {
    check: 'visibility.locked-out',
    fault: (b) => page(b, `P${b.k}`, names(b, 'p'), { requires: [itemRef(`gone-${b.k}`)] }),
    decoy: (b) => {
      page(b, `F${b.k}`, names(b, 'f'));
      return page(b, `P${b.k}`, names(b, 'p'), { requires: [itemRef(names(b, 'f'))] });
    },
  },
  {
    check: 'visibility.exposed-key',
    fault: (b) =>
      page(
        b,
        b.d.pick([
          `Answer key ${name(b.k)}`,
          `Quiz ${name(b.k)} – solutions`,
          `Marking guide, ${name(b.k)}`,
          `Quiz ${name(b.k)} (key)`,
          `${name(b.k)} AK`,
        ]),
        names(b, 'p'),
      ),
    decoy: (b) =>
      page(
        b,
        b.d.pick([
          `Key terms of ${name(b.k)}`,
          `Solution chemistry at ${name(b.k)}`,
          `Keyboards and ${name(b.k)}`,
          `The key to ${name(b.k)}`,
        ]),
        names(b, 'p'),
      ),
  },
  {
    check: 'calendar.outside-term',
    fault: (b) => event(b, 'Visit', b.d.pick(['2025-10-01', '2026-12-27', '2027-05-22'])),
    decoy: (b) => event(b, 'Visit', b.d.pick(['2026-12-28', '2027-01-11', '2027-05-21'])),
  },
  {
    check: 'calendar.carried-over',
    fault: (b) => event(b, 'Talk', '2027-02-01', { created: at(b.d.pick(['2025-08-18', '2026-11-12'])) }),
    decoy: (b) => event(b, 'Talk', '2027-02-01', { created: at(b.d.pick(['2026-11-13', '2027-01-20'])) }),
  },
  {
    check: 'calendar.meeting-link',
    fault: (b) =>
      event(b, 'Call', '2025-10-01', {
        links: [b.d.pick([`https://r.example/join/${b.k}`, `https://r.example/j/12345678${10 + b.k}`])],
      }),
    decoy: (b) =>
      event(b, 'Call', '2025-10-01', {
        links: [b.d.pick([`https://r.example/reading/${b.k}`, 'https://r.example/j/12345'])],
      }),
  },
  {
    check: 'calendar.no-class-day',
    fault: (b) => event(b, 'Lab', b.d.pick(['2027-03-15', '2027-03-16'])),
    decoy: (b) => event(b, b.d.pick(['Spring break', 'Lab']), '2027-03-18'),
  },
  {
    check: 'structure.misfiled',
    fault: (b) => {
      const [m] = [b.c.module(`Unit ${2 * b.k}`), b.c.module(`Unit ${2 * b.k + 1}`)];
      return page(b, `Unit ${2 * b.k + 1} sheet`, names(b, 'p'), { parent: m });
    },
    decoy: (b) => {
      const [m] = [b.c.module(`Unit ${2 * b.k}`), b.c.module(`Unit ${2 * b.k + 1}`)];
      return page(
        b,
        b.d.pick([
          `Unit ${2 * b.k} sheet`,
          `Before Unit ${2 * b.k + 1}`,
          `Units ${2 * b.k}–${2 * b.k + 1}: plan`,
        ]),
        names(b, 'p'),
        { parent: m },
      );
    },
  },
  {
    check: 'structure.single-item-folder',
    fault: (b) => {
      const m = b.c.module(`M${b.k}`);
      const f = b.c.module(`F${b.k}`, { ref: names(b, 'f'), parent: m });
      page(b, `P${b.k}`, names(b, 'p'), { parent: f });
      return f;
    },
    decoy: (b) => {
      const m = b.c.module(`M${b.k}`);
      const f = b.c.module(`F${b.k}`, { ref: names(b, 'f'), parent: m });
      for (const n of ['p', 'q']) page(b, `P${b.k}${n}`, names(b, n), { parent: f });
      return f;
    },
  },
  {
    check: 'structure.catch-all-category',
    fault: (b) => {
      b.more.categories.push({
        ref: gradeCategoryRef(`c${b.k}`),
        title: b.d.pick(['Imported', 'Uncategorised', 'Default']),
        weight: null,
        extra: {},
      });
      b.more.columns.push({
        ref: gradeColumnRef(`g${b.k}`),
        title: `Work ${b.k}`,
        category: gradeCategoryRef(`c${b.k}`),
        points: 5,
        results: 1,
        extra: {},
      });
      return `g${b.k}`;
    },
    decoy: (b) => {
      b.more.categories.push({
        ref: gradeCategoryRef(`c${b.k}`),
        title: b.d.pick(['Important work', 'Field days', 'Defaulters none']),
        weight: null,
        extra: {},
      });
      b.more.columns.push({
        ref: gradeColumnRef(`g${b.k}`),
        title: `Work ${b.k}`,
        category: gradeCategoryRef(`c${b.k}`),
        points: 5,
        results: 1,
        extra: {},
      });
      return `g${b.k}`;
    },
  },
  {
    check: 'duplicate.event',
    fault: (b) => {
      event(b, 'Meeting', '2027-02-01');
      const ref = eventRef(`second-${b.k}`);
      b.more.events.push({ ...b.more.events.at(-1)!, ref, uid: ref });
      return ref;
    },
    decoy: (b) => {
      event(b, 'Meeting', '2027-02-01');
      const ref = eventRef(`second-${b.k}`);
      b.more.events.push({
        ...b.more.events.at(-1)!,
        ref,
        uid: ref,
        start: at('2027-02-02'),
        occurrences: [at('2027-02-02')],
      });
      return ref;
    },
  },
  {
    check: 'duplicate.grade-column',
    fault: (b) => {
      column(b, 'a', `Work ${b.k}`);
      return column(b, 'b', `WORK  ${b.k}`);
    },
    decoy: (b) => {
      column(b, 'a', `Work ${b.k}`);
      return column(b, 'b', `Work ${b.k}`, { points: 9 });
    },
  },
  {
    check: 'duplicate.grade-category',
    fault: (b) => {
      category(b, 'a', `Sort ${b.k}`);
      return category(b, 'b', `sort ${b.k}`);
    },
    decoy: (b) => {
      category(b, 'a', `Sort ${b.k}`);
      return category(b, 'b', `Sort ${b.k} (2)`);
    },
  },
  {
    check: 'orphan.empty-grade-category',
    fault: (b) => category(b, 'a', `Sort ${b.k}`),
    decoy: (b) => {
      const ref = category(b, 'a', `Sort ${b.k}`);
      column(b, 'a', `Work ${b.k}`, { category: gradeCategoryRef(ref) });
      return ref;
    },
  },
  {
    check: 'orphan.grade-column',
    fault: (b) => column(b, 'a', `Sum ${b.k}`),
    decoy: (b) =>
      column(
        b,
        'a',
        b.d.pick([`Attendance ${b.k}`, `Oral exam ${b.k}`, `Work ${b.k}`]),
        b.d.pick([{ results: 3 }, { results: null }]),
      ),
  },
  {
    check: 'orphan.ungraded-activity',
    fault: (b) => {
      column(b, 'a', `Other ${b.k}`);
      return b.c.assignment(`Work ${b.k}`, `<p>${b.text()}</p>`, 5, { ref: names(b, 'w') });
    },
    decoy: (b) => {
      column(b, 'a', `work ${b.k}`);
      return b.c.assignment(`Work ${b.k}`, `<p>${b.text()}</p>`, 5, { ref: names(b, 'w') });
    },
  },
  {
    check: 'visibility.hidden-graded',
    fault: (b) => {
      column(b, 'a', `Work ${b.k}`);
      return b.c.assignment(`Work ${b.k}`, `<p>${b.text()}</p>`, 5, { ref: names(b, 'w'), shown: false });
    },
    decoy: (b) => {
      column(b, 'a', `Work ${b.k}`, { points: 0 });
      return b.c.assignment(`Work ${b.k}`, `<p>${b.text()}</p>`, 5, { ref: names(b, 'w'), shown: false });
    },
  },
  {
    check: 'visibility.shadowed',
    fault: (b) =>
      page(b, `P${b.k}`, names(b, 'p'), { parent: b.c.module(`Hidden ${b.k}`, { shown: false }) }),
    decoy: (b) =>
      page(b, `P${b.k}`, names(b, 'p'), {
        parent: b.c.module(`Hidden ${b.k}`, { shown: false }),
        shown: false,
      }),
  },
  {
    check: 'outdated.untouched',
    fault: (b) => page(b, `P${b.k}`, names(b, 'p'), { modified: at(b.d.pick(['2024-01-03', '2019-06-01'])) }),
    decoy: (b) =>
      page(
        b,
        `P${b.k}`,
        names(b, 'p'),
        b.d.pick([{ modified: at('2024-01-04') }, { modified: at('2019-06-01'), shown: false }]),
      ),
  },
  {
    check: 'outdated.unchanged-assessment',
    fault: (b) =>
      b.c.assignment(`Work ${b.k}`, `<p>${b.text()}</p>`, 5, {
        ref: names(b, 'w'),
        modified: at('2025-12-11'),
      }),
    decoy: (b) =>
      b.c.assignment(`Work ${b.k}`, `<p>${b.text()}</p>`, b.d.pick([5, 0]), {
        ref: names(b, 'w'),
        modified: at('2025-12-12'),
      }),
  },
  {
    check: 'readiness.undated-activity',
    fault: (b) => b.c.assignment(`Work ${b.k}`, `<p>${b.text()}</p>`, 5, { ref: names(b, 'w') }),
    decoy: (b) =>
      b.c.assignment(`Work ${b.k}`, `<p>${b.text()}</p>`, b.d.pick([null, 0]), { ref: names(b, 'w') }),
  },
  {
    check: 'structure.deep-nesting',
    fault: (b) => {
      const m = [0, 1, 2].reduce<string | null>((parent, n) => b.c.module(`L${n} ${b.k}`, { parent }), null);
      return page(b, `P${b.k}`, names(b, 'p'), { parent: m });
    },
    decoy: (b) => {
      const m = [0, 1].reduce<string | null>((parent, n) => b.c.module(`L${n} ${b.k}`, { parent }), null);
      return page(b, `P${b.k}`, names(b, 'p'), { parent: m });
    },
  },
  {
    check: 'duplicate.repeated-import',
    fault: (b) => {
      const texts = Array.from({ length: 6 }, () => b.text());
      for (const copy of ['a', 'b'])
        texts.forEach(
          (t, n) =>
            void b.c.page(`Site ${b.k}, part ${n}`, `<p>${t}</p>`, {
              ref: `${copy}${b.k}-${n}`,
              parent: n ? undefined : null,
            }),
        );
      return `b${b.k}-3`;
    },
    decoy: (b) => {
      for (const copy of ['a', 'b'])
        for (let n = 0; n < 6; n += 1)
          b.c.page(`Site ${b.k}, ${copy} part ${n}`, `<p>${b.text()}</p>`, { ref: `${copy}${b.k}-${n}` });
      return `b${b.k}-3`;
    },
  },
];

const column = (
  b: Bench,
  key: string,
  title: string,
  over: Partial<Shell['gradeColumns'][number]> = {},
): string => {
  const ref = gradeColumnRef(`g${key}${b.k}`);
  b.more.columns.push({ ref, title, category: null, points: 5, results: 0, extra: {}, ...over });
  return ref;
};
const category = (b: Bench, key: string, title: string): string => {
  const ref = gradeCategoryRef(`c${key}${b.k}`);
  b.more.categories.push({ ref, title, weight: null, extra: {} });
  return ref;
};

const syllables = ['ro', 'ta', 'mi', 'len', 'dor', 'su', 'ka', 'vel'];
/** A made-up name for a number: without digits, since digits would be marks of a version or a series. */
function name(k: number): string {
  let left = k + 8;
  let made = '';
  while (left > 0) {
    made += syllables[left % 8];
    left = Math.floor(left / 8);
  }
  return made[0]!.toUpperCase() + made.slice(1);
}
