import { baselineOf } from '@/core/compare/baseline';
import { digest } from '@/core/refs/digest';
import type { CourseEvent, HomePage, Shell } from '@/core/shell/model';
import { eventRef, gradeCategoryRef, groupRef, itemRef, shellRef } from '@/core/refs/refs';
import { addDays, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { dice } from './prose';

/** What a builder may use: a shell of its own with some pages of prose in it, a fresh paragraph, dice. */
export interface WholeBench {
  readonly c: ShellComposer;
  readonly text: () => string;
  readonly d: ReturnType<typeof dice>;
}
/** A fault that a whole shell has, and a shell that only looks so: what is returned is said of the shell beyond its contents. */
export interface WholeShell {
  readonly check: string;
  readonly fault: (b: WholeBench) => Partial<Shell> | void;
  readonly decoy: (b: WholeBench) => Partial<Shell> | void;
}

const at = (day: string, time = '10:00:00') => `${day}T${time}` as LocalDateTime;
const day = (text: string) => text as LocalDate;
const html = (b: WholeBench) => `<p>${b.text()}</p>`;
const page = (b: WholeBench, title: string, over: object = {}) => b.c.page(title, html(b), over);
const modules = (b: WholeBench, titles: readonly string[], over: (n: number) => object = () => ({})) =>
  titles.map((title, n) => {
    const ref = b.c.module(title, over(n));
    page(b, `Reading for ${words[n % words.length]}`, { parent: ref, ...over(n) });
    return ref;
  });
const words = ['stones', 'weirs', 'gauges', 'banks', 'floods', 'reeds', 'silt', 'pools'];
const event = (title: string, days: readonly string[], over: Partial<CourseEvent> = {}): CourseEvent => {
  const ref = eventRef(`${title} ${days[0]} ${over.uid ?? ''}`.replace(/\W+/g, '-'));
  return {
    ref,
    uid: ref,
    recurrenceId: null,
    title,
    start: at(days[0]!),
    end: at(days[0]!, '11:00:00'),
    allDay: false,
    recurrence: null,
    occurrences: days.map((d) => at(d)),
    location: '',
    links: [],
    description: '',
    created: null,
    stamped: null,
    modified: null,
    source: '',
    ...over,
  };
};
const weekly = { rule: 'FREQ=WEEKLY;COUNT=9', extraDates: [], excludedDates: [] };
const meetings = (n: number, secondsApart: number, link: string): CourseEvent[] =>
  Array.from({ length: n }, (_, k) =>
    event('Seminar', [addDays(day('2027-01-14'), 7 * k)], {
      uid: String(k),
      links: [link],
      created: new Date(Date.UTC(2026, 11, 2, 9, 14, k * secondsApart))
        .toISOString()
        .slice(0, 19) as LocalDateTime,
    }),
  );
const numbers = (label: string, list: readonly (number | string)[]) => list.map((n) => `${label} ${n}`);
const home = (title: string, inUse: boolean | null): HomePage => ({
  ref: itemRef(`home-${title}`),
  title,
  inUse,
});
const turned = (b: WholeBench, ref: string, kind: 'tool-link' | 'announcement'): Partial<Shell> => {
  const shell = b.c.shell();
  const item = shell.items.find((i) => i.ref === ref)!;
  return {
    items: shell.items.map((i) => (i === item ? { ...i, kind, placed: kind === 'tool-link' } : i)),
    contents: shell.contents.map((x) => (x.id === item.content && kind === 'tool-link' ? { ...x, kind } : x)),
  };
};
const baseline = (build: (c: ShellComposer) => void) => {
  const c = new ShellComposer({ ref: shellRef('provided') });
  build(c);
  return baselineOf(c.shell(), 'supplied');
};
const packed = (...texts: string[]) => ({
  packed: texts.map((text, n) => ({ name: `${n}.txt`, bytes: text.length, sha256: digest(text) })),
});

export const wholeShells: readonly WholeShell[] = [
  {
    check: 'calendar.due-mismatch',
    fault: (b) => {
      b.c.assignment('Site report', html(b), 5, { due: at('2027-03-01') });
      return {
        events: [
          event(
            b.d.pick([
              'Site report due',
              'Due: Site report',
              'Site report deadline',
              'Submission of site report',
            ]),
            [b.d.pick(['2027-03-02', '2027-02-28', '2027-04-01'])],
          ),
        ],
      };
    },
    decoy: (b) => {
      b.c.assignment('Site report', html(b), 5, { due: at('2027-03-01') });
      return {
        events: [
          b.d.pick([
            event('Site report due', ['2027-03-01']),
            event('Talk about the site report', ['2027-03-04']),
            event('Second site report due', ['2027-03-04']),
            event('Site report', ['2027-03-04']),
          ]),
        ],
      };
    },
  },
  {
    check: 'calendar.overruns-term',
    fault: (b) => ({
      events: [
        event(
          'Lab',
          b.d.pick([
            ['2027-04-30', '2027-05-07', '2027-05-14'],
            ['2027-03-01', '2027-06-01'],
          ]),
          { recurrence: weekly },
        ),
      ],
    }),
    decoy: (b) => ({
      events: [
        b.d.pick([
          event('Lab', ['2027-04-30', '2027-05-07'], { recurrence: weekly }),
          event('Party', ['2027-05-14']),
          event('Next term', ['2027-08-30', '2027-09-06'], { recurrence: weekly }),
        ]),
      ],
    }),
  },
  {
    check: 'calendar.past',
    fault: (b) => ({
      asOf: day('2027-03-10'),
      events: [
        b.d.pick([
          event('Lab', ['2027-03-09']),
          event('Lab', ['2027-02-01', '2027-03-01'], { recurrence: weekly }),
          event('Welcome', ['2027-01-11']),
        ]),
      ],
    }),
    decoy: (b) => ({
      asOf: day('2027-03-10'),
      events: [
        b.d.pick([
          event('Lab', ['2027-03-10']),
          event('Lab', ['2027-02-01', '2027-03-11'], { recurrence: weekly }),
          event('Old', ['2025-10-01']),
          event('Camp', ['2027-03-08'], { end: at('2027-03-10', '12:00:00') }),
        ]),
      ],
    }),
  },
  {
    check: 'calendar.unconfirmed-meeting',
    fault: (b) => ({
      events: meetings(10 + b.d.below(4), b.d.below(5), 'https://rooms.example/join/seminar'),
    }),
    decoy: (b) => ({
      events: b.d.pick([
        meetings(9, 1, 'https://rooms.example/join/a'),
        meetings(12, 30, 'https://rooms.example/join/a'),
        meetings(12, 1, 'https://rooms.example/reading/a'),
      ]),
    }),
  },
  {
    check: 'duplicate.already-provided',
    fault: (b) => {
      const t = `${b.text()} ${b.text()}`;
      const w = t.split(' ');
      w[b.d.below(w.length)] = 'elsewhere';
      b.c.page('House rules', `<div>${b.d.pick([t, w.join(' '), t.toUpperCase()])}</div>`);
      return { baseline: baseline((c) => void c.page('Rules of the house', `<p>${t}</p>`)) };
    },
    decoy: (b) => {
      const t = b.text();
      b.c.page('House rules', `<p>${b.d.pick([`${t} ${b.text()} ${b.text()}`, b.text()])}</p>`);
      return { baseline: baseline((c) => void c.page('House rules', `<p>${t}</p>`)) };
    },
  },
  {
    check: 'orphan.empty-group',
    fault: (b) => {
      const known = { ref: groupRef('g'), title: 'Tuesday group' };
      return b.d.below(2)
        ? { groups: [known] }
        : (page(b, 'For Mondays', { groups: [groupRef('gone')] }), {});
    },
    decoy: (b) => {
      page(b, 'For Tuesdays', { groups: [groupRef('g')], shown: b.d.pick([true, false]) });
      return { groups: [{ ref: groupRef('g'), title: 'Tuesday group' }] };
    },
  },
  {
    check: 'orphan.unpacked-archive',
    fault: (b) => {
      const [x, y] = [b.text(), b.text()];
      b.c.file('out/one.txt', x);
      b.c.file(
        'all.zip',
        'zip',
        b.d.pick([packed(x), packed(x, y.slice(0, x.length >> 1)), packed('note', x)]),
      );
    },
    decoy: (b) => {
      const [x, y] = [b.text(), b.text()];
      b.c.file('out/one.txt', x);
      b.c.file('all.zip', 'zip', b.d.below(2) ? packed(x, x + y) : packed(x));
      b.c.page('Hand-outs', `<p>${b.text()}</p><a href="../all.zip">all</a>`, { path: 'p/x.html' });
    },
  },
  {
    check: 'orphan.unused-bank',
    fault: (b) =>
      void b.c.bank(
        'stream-bank',
        [{ stem: b.text(), answers: ['a', 'b'], right: 0, points: 1 }],
        'banks/stream.xml',
      ),
    decoy: (b) => {
      b.c.bank(
        'stream-bank',
        [{ stem: b.text(), answers: ['a', 'b'], right: 0, points: 1 }],
        'banks/stream.xml',
      );
      const quiz = b.c.quiz('Quiz', [{ stem: b.text(), answers: ['a', 'b'], right: 0, points: 1 }], {
        shown: b.d.pick([true, false, null]),
      });
      const shell = b.c.shell();
      const drawing = shell.items.find((i) => i.ref === quiz)!.content;
      const bank = shell.banks[0]!.content!;
      const how = b.d.below(2);
      const drawn = how ? { bankRefs: ['stream-bank'] } : { dependencies: [bank] };
      return {
        contents: shell.contents.map((x) => (x.id === drawing ? { ...x, ...drawn } : x)),
      };
    },
  },
  {
    check: 'orphan.unused-home-page',
    fault: (b) => ({ homePages: [home('Welcome', b.d.pick([true, false])), home('Old welcome', false)] }),
    decoy: (b) => ({
      homePages: b.d.pick([
        [home('Welcome', true)],
        [home('Welcome', true), home('Other', null)],
        [home('Welcome', null)],
      ]),
    }),
  },
  {
    check: 'outdated.dead-link',
    fault: (b) => {
      const address = `https://${b.d.pick(['gone', 'no-host', 'bad-certificate', 'moved', 'ended'])}.rivers.example/notes`;
      if (b.d.below(2)) b.c.webLink('River notes', address);
      else b.c.page('Reading', `<p>See <a href="${address}#two">the notes</a>.</p>`);
    },
    decoy: (b) => {
      const states = ['sign-in', 'slow', 'fault', 'busy', 'loop', 'private', 'says-gone', 'answers'];
      b.c.webLink('River notes', `https://${b.d.pick(states)}.rivers.example/notes`);
    },
  },
  {
    check: 'outdated.former-tool',
    fault: (b) =>
      turned(
        b,
        b.c.webLink(
          'Test room',
          b.d.pick([
            'https://proctor.example/launch',
            'https://mylab.tools.example.org/x',
            'https://old.example/lab.tools.example',
          ]),
          { ref: 't' },
        ),
        'tool-link',
      ),
    decoy: (b) =>
      b.d.below(4)
        ? turned(
            b,
            b.c.webLink(
              'Lab',
              b.d.pick([
                'https://lab.tools.example/launch',
                'HTTPS://LAB.tools.example:443/x',
                'https://north.maps.example/x',
              ]),
              { ref: 't' },
            ),
            'tool-link',
          )
        : void b.c.webLink('A page', 'https://proctor.example/launch'),
  },
  {
    check: 'outdated.old-announcement',
    fault: (b) =>
      turned(
        b,
        page(b, 'News', {
          ref: 'n',
          ...b.d.pick([
            { opens: at('2025-09-01') },
            { created: at('2027-01-10') },
            { opens: at('2026-12-20'), created: at('2027-02-01') },
          ]),
        }),
        'announcement',
      ),
    decoy: (b) =>
      b.d.below(4)
        ? turned(
            b,
            page(b, 'News', {
              ref: 'n',
              ...b.d.pick([
                { opens: at('2027-01-11') },
                { created: at('2027-02-01') },
                { opens: at('2027-01-12'), created: at('2026-12-20') },
                {},
              ]),
            }),
            'announcement',
          )
        : void page(b, 'News of 2025', { opens: at('2025-09-01') }),
  },
  {
    check: 'readiness.emptiness',
    fault: (b) => {
      if (b.d.below(2)) return { items: [], contents: [], files: [], entries: [], banks: [] };
      return { baseline: baselineOf(b.c.shell(), 'template') };
    },
    decoy: (b) => {
      const before = baselineOf(b.c.shell(), 'template');
      page(b, 'One of our own');
      return { baseline: before };
    },
  },
  {
    check: 'readiness.no-home-page',
    fault: (b) => ({
      homePages: b.d.pick([[home('Welcome', false)], [home('Welcome', false), home('Other', false)]]),
    }),
    decoy: (b) => ({
      homePages: b.d.pick([
        [home('Welcome', true)],
        [home('A', false), home('B', true)],
        [home('A', false), home('B', null)],
      ]),
    }),
  },
  {
    check: 'readiness.no-syllabus',
    fault: (b) =>
      void page(
        b,
        b.d.pick(['Course plan', 'Syllables in place names', 'Outline of the river', 'Handbook of weirs']),
      ),
    decoy: (b) =>
      b.d.pick([
        () => void page(b, 'SYLLABUS'),
        () => void b.c.file('docs/hyd_syllabus.pdf', b.text()),
        () => void page(b, 'Course outline, Spring 2027'),
        () => ({ homePages: [home('Course information', null)] }),
      ])(),
  },
  {
    check: 'readiness.term-dates',
    fault: (b) => ({ term: { title: 'Spring 2027', start: b.d.pick([null, day('2027-01-11')]), end: null } }),
    decoy: (b) => ({
      term: { title: b.d.pick(['', 'Spring 2027']), start: day('2027-01-11'), end: day('2027-05-07') },
    }),
  },
  {
    check: 'readiness.title-term',
    fault: (b) =>
      b.d.pick([
        { title: 'Stream Ecology, Autumn 2025' },
        { title: 'HYD 214 Fall ’25' },
        { code: 'HYD 214 Spring 2026' },
        { title: 'Stream Ecology (AY 2024/25)' },
      ]),
    decoy: (b) =>
      b.d.pick([
        { title: 'Stream Ecology, Spring 2027' },
        { title: 'The floods of 2013' },
        { title: 'Stream Ecology (AY 2026/27)' },
        { title: 'Summer streams' },
      ]),
  },
  {
    check: 'readiness.unfilled-template',
    fault: (b) => {
      const t = b.text();
      b.c.page(
        b.d.pick(['Meet your teacher', 'MEET your teacher']),
        b.d.pick([`<p>${t}</p>`, `<div><b>${t}</b></div>`]),
      );
      return { baseline: baseline((c) => void c.page('Meet your teacher', `<p>${t}</p>`)) };
    },
    decoy: (b) => {
      const t = b.text();
      b.c.page(b.d.pick(['Meet your teacher', 'Office hours']), `<p>${t} Room 4, Mondays.</p>`);
      return {
        baseline: baseline((c) => {
          c.page('Meet your teacher', `<p>${t}</p>`);
          c.page('Office hours', `<p>${t}</p>`);
        }),
      };
    },
  },
  {
    check: 'readiness.weights',
    fault: (b) => ({
      gradeCategories: b.d
        .pick([
          [40, 40],
          [60, 41],
          [100, 5],
          [0.5, 0.4],
        ])
        .map((weight, n) => ({ ref: gradeCategoryRef(`c${n}`), title: `Sort ${n}`, weight, extra: {} })),
    }),
    decoy: (b) => ({
      gradeCategories: b.d
        .pick([
          [40, 60],
          [33.3, 33.3, 33.4],
          [0.5, 0.5],
          [null, null],
          [100, null],
        ])
        .map((weight, n) => ({ ref: gradeCategoryRef(`c${n}`), title: `Sort ${n}`, weight, extra: {} })),
    }),
  },
  {
    check: 'structure.mixed-naming',
    fault: (b) =>
      void modules(
        b,
        b.d.pick([
          ['Week 1', 'Week 2', 'Wk 3', 'Week 4'],
          ['Unit 1', 'Unit 2', 'Unit III'],
          ['Week 01', 'Week 02', 'Week 3'],
          ['Lab 1', 'Lab 2', 'Lab three'],
        ]),
      ),
    decoy: (b) =>
      void modules(
        b,
        b.d.pick([
          ['Week 1', 'Weeks 2', 'Week 3'],
          ['Week 01', 'Week 02', 'Week 10'],
          ['Unit I', 'Unit II', 'Unit III'],
          ['Week 9', 'Week 10', 'Week 11'],
          ['Part 1', 'Chapter 2'],
        ]),
      ),
  },
  {
    check: 'structure.number-gap',
    fault: (b) =>
      void modules(
        b,
        b.d.pick([
          numbers('Week', [1, 2, 4]),
          numbers('Unit', ['I', 'II', 'IV']),
          numbers('Lesson', ['2.1', '2.2', '2.5', '2.6']),
          numbers('Week', [1, 2, 3, 5, 6]),
        ]),
      ),
    decoy: (b) =>
      void modules(
        b,
        b.d.pick([
          numbers('Week', [1, 2, 3]),
          numbers('Chapter', [3, 9]),
          numbers('Lesson', ['1.1', '1.2', '2.1']),
          numbers('Week', [5, 6, 7]),
        ]),
      ),
  },
  {
    check: 'structure.number-order',
    fault: (b) =>
      void modules(
        b,
        b.d.pick([
          numbers('Week', [1, 3, 2]),
          numbers('Week', [1, 10, 2, 3]),
          numbers('Unit', ['II', 'I', 'III']),
          numbers('Lesson', ['2.2', '2.1']),
        ]),
      ),
    decoy: (b) =>
      void modules(
        b,
        b.d.pick([
          numbers('Week', [1, 2, 2, 3]),
          numbers('Week', [2, 9, 10]),
          numbers('Lesson', ['1.9', '1.10', '2.1']),
          ['Week 2', 'Lab 1'],
        ]),
      ),
  },
  {
    check: 'structure.number-repeat',
    fault: (b) =>
      void modules(
        b,
        b.d.pick([
          numbers('Week', [1, 2, 2, 3]),
          ['Week 1', 'Week 2', 'wk 2: pools', 'Week 3', 'Week 4'],
          numbers('Unit', ['I', 'II', '2', 'III']),
        ]),
      ),
    decoy: (b) => {
      if (b.d.below(2)) modules(b, b.d.pick([numbers('Week', [1, 2, 3]), ['Week 1', 'Week 2', 'Lab 2']]));
      else
        for (const title of ['Week 1 reading', 'Week 1 quiz', 'Week 2 reading', 'Week 2 quiz'])
          page(b, title);
    },
  },
  {
    check: 'structure.tail-block',
    fault: (b) => {
      modules(b, numbers('Week', [1, 2, 3, 4]), () => ({ batch: 'first' }));
      for (const title of b.d.pick([
        ['Week 2 quiz'],
        ['Flow', 'Bed', 'Shade'],
        ['Week 3 notes', 'Week 4 notes'],
      ]))
        page(b, title, { batch: 'second' });
    },
    decoy: (b) => {
      modules(b, numbers('Week', [1, 2, 3, 4]), () => ({ batch: 'first' }));
      for (const title of b.d.pick([['Flow', 'Bed'], ['Week 9 quiz'], []]))
        page(b, title, { batch: 'second' });
      for (const title of ['Thanks', 'Names', 'Sources']) page(b, title, { batch: 'first' });
    },
  },
];
