import type { LocalDateTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { dateOrder } from './date-order';

const at = (text: string | null) => (text === null ? null : (`2027-${text}T12:00:00` as LocalDateTime));
const dated = (opens: string | null, due: string | null, closes: string | null) => (c: ShellComposer) =>
  void c.assignment('A', '<p>x</p>', 5, { ref: 'a', opens: at(opens), due: at(due), closes: at(closes) });

checkCases(dateOrder, {
  fires: [
    {
      name: 'opens after due',
      build: dated('03-02', '03-01', null),
      subjects: [['a']],
      expect: ([f]) => expect(f).toMatchObject({ urgency: 'fix-first', remedy: null }),
    },
    { name: 'due after closes', build: dated(null, '03-02', '03-01'), subjects: [['a']] },
    { name: 'opens after closes', build: dated('03-02', null, '03-01'), subjects: [['a']] },
    { name: 'all three upside down', build: dated('03-03', '03-02', '03-01'), subjects: [['a']] },
    {
      name: 'by an hour',
      build: (c) =>
        void c.quiz('Q', [{ stem: 'x', answers: ['a'], right: 0, points: 1 }], {
          ref: 'a',
          opens: '2027-03-01T13:00:00' as LocalDateTime,
          due: '2027-03-01T12:00:00' as LocalDateTime,
        }),
      subjects: [['a']],
    },
    {
      name: 'a hidden page',
      build: (c) =>
        void c.page('P', '<p>x</p>', { ref: 'a', shown: false, opens: at('04-01'), closes: at('03-01') }),
      subjects: [['a']],
    },
  ],
  silent: [
    { name: 'in order', build: dated('03-01', '03-02', '03-03') },
    { name: 'all the same moment', build: dated('03-01', '03-01', '03-01') },
    { name: 'only due', build: dated(null, '03-01', null) },
    { name: 'only opens and closes, in order', build: dated('03-01', null, '03-02') },
    { name: 'due when it closes', build: dated(null, '03-01', '03-01') },
    { name: 'no dates', build: dated(null, null, null) },
  ],
});
