import { shellRef } from '@/core/refs/refs';
import type { LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { partOf, thingsOf } from '../part-of';

const shell = () => {
  const c = new ShellComposer({ ref: shellRef('s'), code: 'HYD 214', title: 'Stream' });
  const week = c.module('Week 1', { ref: 'w' });
  c.file('look.css', 'body{background:url(m.png)}');
  c.file('m.png', 'a picture');
  c.file('left.bin', 'nobody uses this');
  c.page(
    'Gauge',
    '<html><head><title>Gauge</title><link rel="stylesheet" href="look.css"></head><body>Read it</body></html>',
    {
      ref: 'p',
      parent: week,
      path: 'gauge.html',
      batch: 'first',
      studentWork: 3,
      due: '2027-02-01T10:00:00' as LocalDateTime,
    },
  );
  c.page('Old', '<html><head><title>Old</title></head><body><a href="gauge.html">x</a></body></html>', {
    outside: true,
    path: 'old.html',
  });
  c.bank('b', [{ stem: 'x', answers: ['a'], right: 0, points: 1 }], 'bank.xml');
  return c.shell();
};

test('all of a shell is the shell', () => {
  const whole = shell();
  const part = partOf(
    whole,
    thingsOf(whole).map((t) => t.key),
  );
  expect({ ...part, entries: [...part.entries].sort((a, b) => (a.path < b.path ? -1 : 1)) }).toEqual({
    ...whole,
    entries: [...whole.entries].sort((a, b) => (a.path < b.path ? -1 : 1)),
  });
});

test('one page takes its style sheet and that one’s picture along, and stays what it is', () => {
  const part = partOf(shell(), ['item p']);
  expect(part.items).toEqual([{ ...shell().items[1], parent: null }]);
  expect(part.files.map((f) => f.path)).toEqual(['look.css', 'm.png']);
  expect(part.entries.map((e) => e.path)).toEqual(['gauge.html']);
  expect([part.code, part.banks]).toEqual(['HYD 214', []]);
});
