import { baselineOf } from '@/core/compare/baseline';
import { digest } from '@/core/refs/digest';
import type { Shell } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef, itemRef } from '@/core/refs/refs';
import type { LocalDateTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { HouseRules } from '@/core/checks/rules/house-rules';
import { day, shellFrom } from './check-cases';
import { event } from './make-event';

/** A shell in which a sentence makes a check speak, or keeps it silent. */
export interface ReadingCase {
  readonly name: string;
  readonly build: (c: ShellComposer) => Partial<Shell> | void;
  readonly rules?: Partial<HouseRules>;
}

export const at = (text: string) => text as LocalDateTime;
export const stage = 'The stage is read at the staff gauge before anybody enters the water.';
export const page = (c: ShellComposer, title: string, html: string, path?: string) =>
  c.page(title, html, path === undefined ? {} : { path });
/** A page with one text, as a case named after it. */
export const saying = (text: string, more: Partial<ReadingCase> = {}): ReadingCase => ({
  name: text,
  build: (c) => void c.page('About', `<p>${text}</p>`),
  ...more,
});
export const titled = (title: string): ReadingCase => ({
  name: `title ${title}`,
  build: (c) => void c.page(title, `<p>${stage}</p>`),
});
export const fileNamed = (path: string): ReadingCase => ({
  name: path,
  build: (c) => {
    c.file(path, 'x');
    c.page('Files', `<a href="${encodeURI(path)}">a file</a>`, { path: 'start.html' });
  },
});
export const modules = (...titles: string[]): ReadingCase => ({
  name: titles.join(', '),
  build: (c) => {
    for (const title of titles)
      c.page(`In ${title}`, `<p>${title}: ${stage}</p>`, { parent: c.module(title) });
  },
});
export const categories = (...titles: string[]): ReadingCase => ({
  name: titles.join(', '),
  build: () => ({
    gradeCategories: titles.map((title, n) => ({
      ref: gradeCategoryRef(`k${n}`),
      title,
      weight: null,
      extra: {},
    })),
  }),
});
export const due = (when: string): ReadingCase => ({
  name: `due ${when}`,
  build: (c) => void c.assignment('Report', stage, 5, { due: at(when) }),
});
export const noClass: Partial<Shell> = { noClassDays: [day('2027-03-15')] };

export function dated(over: object): ReadingCase {
  return {
    name: JSON.stringify(over),
    build: (c) => void c.assignment('Report', stage, 5, { shown: true, ...over }),
  };
}
export function changedDate(start: string): ReadingCase {
  return {
    name: `moved to ${start}`,
    build: () => ({
      ...noClass,
      events: [
        event('lab', 'Lab', '2027-03-08T14:00:00', {
          recurrence: { rule: 'FREQ=WEEKLY;COUNT=1', extraDates: [], excludedDates: [] },
        }),
        event('lab#20270316', 'Lab', start, { recurrenceId: '20270316T140000' }),
      ],
    }),
  };
}
export function worked(first: string, second: string): ReadingCase {
  return {
    name: `${first.length} and ${second.length} letters`,
    build: (c) => {
      c.assignment('Stage', first, 5, { studentWork: 3 });
      c.assignment('Stage again', second, 5, { studentWork: 2 });
    },
  };
}
export function twiceBroughtIn(text: (n: number, copy: number) => string): ReadingCase {
  return {
    name: text(1, 1),
    build: (c) => {
      for (const copy of [1, 2])
        for (const n of [1, 2, 3, 4, 5, 6]) c.page(`Page ${n}`, `<p>${text(n, copy)}</p>`);
    },
  };
}
export function assessed(over: Partial<Shell>): ReadingCase {
  return {
    name: JSON.stringify(over),
    build: (c) => {
      c.assignment('Report', stage, 5, { modified: at('2025-09-01T10:00:00') });
      return over;
    },
  };
}
export function arrived(shown: boolean): ReadingCase {
  return {
    name: shown ? 'shown' : 'hidden',
    build: (c) => {
      for (const title of ['One', 'Two'])
        c.page(title, `<p>${title}: ${stage}</p>`, { shown, batch: 'import' });
    },
  };
}

export const integrity = `<p>${stage} ${stage.replace('stage', 'level')} Whoever copies says from where, and whoever helps says how.</p>`;

export function column(title: string): Shell['gradeColumns'][number] {
  return { ref: gradeColumnRef('c'), title, category: null, points: 10, results: 0, extra: {} };
}
export function question(stem: string, answers: readonly string[]): ReadingCase {
  return { name: stem, build: (c) => void c.quiz('Check', [{ stem, answers, right: 0, points: 1 }]) };
}
export function twoQuestions(first: string, second: string): ReadingCase {
  const ask = (picture: string) => ({
    stem: `What is this? ${picture}`,
    answers: ['a', 'b'],
    right: 0,
    points: 1,
  });
  return {
    name: `${first} and ${second}`,
    build: (c) => {
      for (const name of ['p.png', 'q.png']) c.file(name, name);
      c.quiz('Check', [ask(first), ask(second)]);
    },
  };
}
export function pair(first: string, second: string, areEqual = false): ReadingCase {
  return {
    name: `${first}, ${second}`,
    build: (c) => {
      c.page(first, `<p>${stage}</p>`);
      c.page(second, areEqual ? `<p>${stage}</p>` : '<p>Something else altogether, about weirs.</p>');
    },
  };
}
export function dueEvent(start: string): ReadingCase {
  return {
    name: `the event at ${start}`,
    build: (c) => {
      c.assignment('Site report', stage, 5, { due: at('2027-03-01T23:59:59') });
      return { events: [event('e', 'Site report due', start)] };
    },
  };
}
export function linked(onePath: string, one: string, otherPath: string, other: string): ReadingCase {
  return {
    name: `${one} in ${onePath}, ${other} in ${otherPath}`,
    build: (c) => {
      for (const folder of ['m', 'n']) c.file(`${folder}/map.txt`, `the map in ${folder}`);
      c.page('One', `<p>${stage}</p><a href="${one}">map</a>`, { path: onePath });
      c.page('Two', `<p>${stage}</p><a href="${other}">map</a>`, { path: otherPath });
    },
  };
}
export function headed(first: string, second: string, more = ''): ReadingCase {
  const html = (head: string, body: string) =>
    `<html><head>${head}</head><body><p>${stage}</p>${body}</body></html>`;
  return {
    name: `${first} beside ${second}${more}`,
    build: (c) => {
      c.file('a.css', 'p { margin: 0 }');
      c.file('b.png', 'b');
      c.page('One', html(first, ''), { path: 'one.html' });
      c.page('Two', html(second, more), { path: 'two.html' });
    },
  };
}
export function target(how: { in?: boolean | null; staffOnly?: boolean }): ReadingCase {
  return {
    name: JSON.stringify(how),
    build: (c) => {
      const parent = c.module('Later', { shown: how.in ?? null });
      c.page('Target', stage, { parent, path: 't.html', staffOnly: how.staffOnly ?? false });
      c.page('From', '<a href="t.html">there</a>', { path: 'f.html' });
    },
  };
}
export function required(over: object): ReadingCase {
  return {
    name: JSON.stringify(over),
    build: (c) => {
      c.page('First', stage, { ref: 'first', ...over });
      c.page('Then', '<p>x</p>', { requires: [itemRef('first')] });
    },
  };
}
export function nested(depth: number): ReadingCase {
  return {
    name: `a page under ${depth} modules`,
    build: (c) => {
      let parent: string | null = null;
      for (let level = 1; level <= depth; level += 1) {
        parent = c.module(`Level ${level}`, { parent });
        c.page(`Beside ${level}`, `<p>${level}</p>`, { parent });
      }
    },
  };
}
export function provided() {
  return baselineOf(
    shellFrom((c) => void c.page('Rules of the college', integrity)),
    'supplied',
  );
}
export function archive(isZip: boolean): ReadingCase {
  const words = ['one', 'two'];
  return {
    name: isZip ? 'a zip' : 'another archive',
    build: (c) => {
      words.forEach((text) => void c.file(`unpacked/${text}.txt`, text));
      const packed = words.map((text) => ({ name: `${text}.txt`, bytes: text.length, sha256: digest(text) }));
      c.file(isZip ? 'all.zip' : 'all.tar', 'packed', { packed: isZip ? packed : null });
    },
  };
}
