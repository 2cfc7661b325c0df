import type { LocalDateTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { oldAnnouncement } from './old-announcement';

const at = (day?: string) => (day ? (`${day}T09:00:00` as LocalDateTime) : null);
/** An announcement stands outside the outline. */
const announced = (opens?: string, created?: string) => (c: ShellComposer) => {
  c.page('News', '<p>x</p>', { outside: true, opens: at(opens), created: at(created) });
  return { items: c.shell().items.map((i) => ({ ...i, kind: 'announcement' as const })) };
};
const ref = [['resource:r1']];

checkCases(oldAnnouncement, {
  fires: [
    {
      name: 'opened last term',
      build: announced('2025-09-01'),
      subjects: ref,
      expect: ([f]) => expect(f!.remedy).toMatchObject({ action: 'delete', kind: 'judgement' }),
    },
    { name: 'made last term', build: announced(undefined, '2025-09-01'), subjects: ref },
    { name: 'the day before the term', build: announced('2027-01-10'), subjects: ref },
    { name: 'made this December', build: announced(undefined, '2026-12-20'), subjects: ref },
    { name: 'opened last term, made before', build: announced('2025-09-01', '2025-08-01'), subjects: ref },
    {
      name: 'opened last term, although made again',
      build: announced('2025-09-01', '2027-02-01'),
      subjects: ref,
    },
  ],
  silent: [
    { name: 'opens on the first day', build: announced('2027-01-11') },
    { name: 'made last term, opens in this', build: announced('2027-01-12', '2025-09-01') },
    { name: 'no date', build: announced() },
    { name: 'a page', build: (c) => void c.page('News', '<p>x</p>', { created: at('2025-09-01') }) },
    { name: 'made in the term', build: announced(undefined, '2027-02-01') },
    {
      name: 'the term is not known',
      build: (c) => ({ ...announced('2025-09-01')(c), term: { title: '', start: null, end: null } }),
    },
  ],
});
