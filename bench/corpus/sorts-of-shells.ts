import { event } from '@/core/checks/__tests__/make-event';
import type { CourseEvent } from '@/core/shell/model';
import { addDays, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import type { WholeBench, WholeShell } from './whole-shells';

/** A fault that depends on the sort of shell it stands in, and one that only looks so there. */
export interface SortedShell extends WholeShell {
  readonly sort: 'pages with bases' | 'staff stores full of drafts' | 'things three and four times';
  /** So many things at least one finding must name; the sort where things stand several times wants them all. */
  readonly names?: (b: WholeBench) => number;
}

const body = (b: WholeBench, more = '') => `<p>${b.text()}</p>${more}`;

// ── pages with bases ────────────────────────────────────────────────────────────────────────────────────────────

/** A page in `texts/` whose addresses are meant from another folder. */
const basedPage = (b: WholeBench, base: string, more: string, text = b.text()) =>
  b.c.page(
    'Field notes',
    `<html><head><base href="${base}"></head><body><p>${text}</p>${more}</body></html>`,
    {
      path: `texts/notes-${b.d.below(1000)}.html`,
    },
  );
const folders = ['old', 'kept/maps', 'from-autumn'] as const;

const bases: readonly Omit<SortedShell, 'sort'>[] = [
  {
    check: 'orphan.broken-link',
    fault: (b) => {
      const folder = b.d.pick(folders);
      b.c.file('texts/map.pdf', 'a map');
      basedPage(b, `../${folder}/`, '<a href="map.pdf">the map</a>');
    },
    decoy: (b) => {
      const folder = b.d.pick(folders);
      b.c.file(`${folder}/map.pdf`, 'a map');
      basedPage(b, `../${folder}/`, '<a href="map.pdf">the map</a>');
    },
  },
  {
    check: 'orphan.unused-file',
    fault: (b) => {
      b.c.file('texts/gauge.png', 'beside the page');
      b.c.file('old/gauge.png', 'where the base leads');
      basedPage(b, '../old/', '<img src="gauge.png" alt="a gauge">');
    },
    decoy: (b) => {
      const folder = b.d.pick(folders);
      b.c.file(`${folder}/gauge.png`, 'where the base leads');
      basedPage(b, `../${folder}/x.html`, '<img src="gauge.png" alt="a gauge">');
    },
  },
  {
    check: 'visibility.unreadable-file',
    fault: (b) => {
      b.c.file('texts/data.csv', 'open');
      b.c.file('old/data.csv', 'closed', { readableBy: 'staff' });
      basedPage(b, '../old/', '<a href="data.csv">the data</a>');
    },
    decoy: (b) => {
      b.c.file('texts/data.csv', 'closed', { readableBy: 'staff' });
      b.c.file('old/data.csv', 'open', { readableBy: 'all' });
      basedPage(b, '../old/', '<a href="data.csv">the data</a>');
    },
  },
  {
    check: 'duplicate.same-content',
    fault: (b) => {
      const text = b.text();
      b.c.file('old/a.txt', 'the same target');
      basedPage(b, '../old/', '<a href="a.txt">a</a>', text);
      b.c.page('Field notes', `<p>${text}</p><a href="../old/a.txt">a</a>`, { path: 'other/plain.html' });
    },
    decoy: (b) => {
      const text = b.text();
      for (const folder of ['old', 'new']) {
        b.c.file(`${folder}/a.txt`, `the target in ${folder}`);
        basedPage(b, `../${folder}/`, '<a href="a.txt">a</a>', text);
      }
    },
  },
  {
    check: 'outdated.old-shell-link',
    fault: (b) => void basedPage(b, 'https://campus.example/shells/88/', '<a href="sheet.pdf">the sheet</a>'),
    decoy: (b) =>
      void basedPage(
        b,
        b.d.pick(['https://rivers.example/88/', 'https://campus.example/library/']),
        '<a href="sheet.pdf">the sheet</a>',
      ),
  },
];

// ── staff stores full of drafts ─────────────────────────────────────────────────────────────────────────────────

/** A hidden store of staff with a few drafts that every check would have something to say about. */
function storeOf(b: WholeBench, over: object = { shown: false }): string {
  const store = b.c.module(b.d.pick(['Staff room', 'STAFF  ROOM', 'Staff room, spring']), over);
  b.c.page('Draft (2)', body(b, '<p>[insert the date]</p>'), { parent: store });
  b.c.assignment('Draft task', body(b), 10, { parent: store });
  b.c.module('Week 3', { parent: store });
  return store;
}

const stores: readonly Omit<SortedShell, 'sort'>[] = [
  {
    check: 'duplicate.same-content',
    fault: (b) => {
      const store = storeOf(b);
      const text = body(b);
      for (const title of ['Gauges', 'Gauges again']) b.c.page(title, text);
      b.c.page('Gauges', text, { parent: store });
    },
    decoy: (b) => {
      const store = storeOf(b);
      const text = body(b);
      b.c.page('Gauges', text);
      for (const title of ['Gauges', 'Gauges, old']) b.c.page(title, text, { parent: store });
    },
  },
  {
    check: 'outdated.placeholder-text',
    fault: (b) => {
      storeOf(b);
      b.c.page('Meeting', body(b, '<p>We meet at [insert place].</p>'));
    },
    decoy: (b) => {
      const store = storeOf(b);
      b.c.page('Meeting', body(b, '<p>We meet at [insert place].</p>'), { parent: store });
    },
  },
  {
    check: 'readiness.undated-activity',
    fault: (b) => {
      storeOf(b);
      b.c.assignment('Reach map', body(b), 10);
    },
    decoy: (b) => {
      storeOf(b);
      b.c.assignment('Reach map', body(b), 10, { due: '2027-03-01T23:59:59' as LocalDateTime });
    },
  },
  {
    check: 'visibility.hidden-item',
    fault: (b) => {
      storeOf(b);
      b.c.page('Forgotten', body(b), { shown: false });
    },
    decoy: (b) => {
      const store = storeOf(b);
      b.c.page('Kept back', body(b), { parent: store, shown: false });
    },
  },
  {
    check: 'visibility.exposed-key',
    fault: (b) => void storeOf(b, { shown: b.d.pick([true, null]) }),
    decoy: (b) => {
      const store = storeOf(b);
      b.c.page('Quiz 3 – Answer key', body(b), { parent: store });
    },
  },
  {
    check: 'orphan.unused-file',
    fault: (b) => {
      storeOf(b);
      b.c.file('lost/old.bin', 'nobody asks for it');
    },
    decoy: (b) => {
      const store = storeOf(b);
      b.c.file('drafts/plan.txt', 'a plan');
      b.c.page('Plan', body(b, '<a href="../drafts/plan.txt">plan</a>'), { parent: store, path: 'd/p.html' });
    },
  },
  {
    check: 'structure.number-repeat',
    fault: (b) => {
      storeOf(b);
      for (const week of [1, 2, 2, 3]) b.c.page('Reading', body(b), { parent: b.c.module(`Week ${week}`) });
    },
    decoy: (b) => {
      storeOf(b);
      for (const week of [1, 2, 3, 4]) b.c.page('Reading', body(b), { parent: b.c.module(`Week ${week}`) });
    },
  },
];

// ── things three and four times ─────────────────────────────────────────────────────────────────────────────────

/** Three or four, told by the text drawn last, so that the fault and the question after it agree. */
const counts = new WeakMap<WholeBench, number>();
const several = (b: WholeBench): number => {
  const count = 3 + b.d.below(2);
  counts.set(b, count);
  return count;
};
const times = (n: number): number[] => Array.from({ length: n }, (_, k) => k);
const allOf = (b: WholeBench) => counts.get(b) ?? Infinity;

const talk = (k: number, day: string): CourseEvent =>
  event(`talk-${k}`, 'Talk about the weir', `${day}T10:00:00`);

const repeated: readonly Omit<SortedShell, 'sort'>[] = [
  {
    check: 'duplicate.repeated-import',
    fault: (b) => {
      const texts = times(6 + b.d.below(4)).map(() => body(b));
      const count = several(b);
      // In each later copy another single page was rewritten.
      for (const copy of times(count))
        texts.forEach((text, n) => b.c.page(`Part ${n}`, copy === n && copy > 0 ? body(b) : text));
      counts.set(b, (count - 1) * texts.length);
    },
    decoy: (b) => {
      // Four pages are no run, however often they stand; other pages stand between.
      const texts = times(4).map(() => body(b));
      for (const copy of times(several(b))) {
        texts.forEach((text, n) => b.c.page(`Part ${n}`, text));
        b.c.page(`Between ${copy}`, body(b));
        b.c.assignment(`Task ${copy}`, body(b), copy + 1);
      }
    },
    names: allOf,
  },
  {
    check: 'duplicate.same-content',
    fault: (b) => {
      const text = body(b);
      for (const copy of times(several(b))) b.c.page(`Reading the gauge ${'abcd'[copy]}`, text);
    },
    decoy: (b) => {
      const text = b.text();
      for (const copy of times(several(b)))
        b.c.page('Reading the gauge', `<p>${text}</p><a href="https://rivers.example/${copy}">more</a>`);
    },
    names: allOf,
  },
  {
    check: 'duplicate.same-file',
    fault: (b) => {
      for (const copy of times(several(b))) b.c.file(`sheets/${copy}/field-sheet.txt`, 'the same sheet');
    },
    decoy: (b) => {
      for (const copy of times(several(b))) b.c.file(`sheets/${copy}/field-sheet.txt`, `sheet ${copy}`);
    },
    names: allOf,
  },
  {
    check: 'duplicate.event',
    fault: (b) => ({ events: times(several(b)).map((k) => talk(k, '2027-02-03')) }),
    decoy: (b) => ({
      events: times(several(b)).map((k) => talk(k, addDays('2027-02-03' as LocalDate, 7 * k))),
    }),
    names: allOf,
  },
  {
    check: 'duplicate.link',
    fault: (b) => {
      const sources = b.c.module('Sources');
      const spellings = [
        'http://g.example/1',
        'https://g.example/1/',
        'https://G.example:443/1',
        'https://g.example/1?utm_source=a',
      ];
      for (const copy of times(several(b)))
        b.c.webLink(`Gauge ${copy}`, spellings[copy] ?? '', { parent: sources });
    },
    decoy: (b) => {
      const sources = b.c.module('Sources');
      for (const copy of times(several(b)))
        b.c.webLink(`Gauge ${copy}`, `https://g.example/1#part-${copy}`, { parent: sources });
    },
    names: allOf,
  },
  {
    check: 'duplicate.near-content',
    fault: (b) => {
      const text = `${b.text()} ${b.text()}`;
      for (const copy of times(several(b)))
        b.c.page(`Weirs ${'abcd'[copy]}`, `<p>${text} At last: station ${'abcd'[copy]}.</p>`);
    },
    decoy: (b) => {
      for (const copy of times(several(b))) b.c.page(`Weirs ${'abcd'[copy]}`, body(b));
    },
    names: allOf,
  },
];

const sorted = (sort: SortedShell['sort'], rows: readonly Omit<SortedShell, 'sort'>[]): SortedShell[] =>
  rows.map((row) => ({ ...row, sort }));

export const sortsOfShells: readonly SortedShell[] = [
  ...sorted('pages with bases', bases),
  ...sorted('staff stores full of drafts', stores),
  ...sorted('things three and four times', repeated),
];
