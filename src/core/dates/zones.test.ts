import fc from 'fast-check';
import { DateTime } from 'luxon';
import { onOtherClock } from './zones';

const zones = [
  'UTC',
  'Europe/Dublin',
  'America/St_Johns',
  'Australia/Lord_Howe',
  'Asia/Kathmandu',
  'Pacific/Apia',
  'America/Chicago',
  'Africa/Casablanca',
];
// The reference is luxon, which the rest of the calendar uses.
const byLibrary = (wall: string, from: string, to: string) =>
  DateTime.fromISO(wall, { zone: from }).setZone(to).toFormat("yyyy-MM-dd'T'HH:mm:ss");

test('a time of one clock on another is what luxon says, in all zones and seasons (property)', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...zones),
      fc.constantFrom(...zones),
      fc.integer({ min: Date.UTC(1971, 0, 1) / 1000, max: Date.UTC(2060, 0, 1) / 1000 }),
      (from, to, seconds) => {
        const wall = new Date(seconds * 1000).toISOString().slice(0, 19);
        expect(onOtherClock(wall, from, to)).toBe(byLibrary(wall, from, to));
      },
    ),
    { numRuns: 3000, seed: 42 },
  );
});

test.each(zones)('around every change of the clocks of %s in 2026 and 2027', (zone) => {
  for (let at = Date.UTC(2026, 0, 1); at < Date.UTC(2028, 0, 1); at += 86_400_000) {
    if (DateTime.fromMillis(at, { zone }).offset === DateTime.fromMillis(at + 86_400_000, { zone }).offset)
      continue;
    for (let half = -48; half < 96; half += 1) {
      const wall = new Date(at + half * 1_800_000).toISOString().slice(0, 19);
      expect([wall, onOtherClock(wall, zone, 'UTC')]).toEqual([wall, byLibrary(wall, zone, 'UTC')]);
      expect([wall, onOtherClock(wall, 'UTC', zone)]).toEqual([wall, byLibrary(wall, 'UTC', zone)]);
    }
  }
});

test('what is no time is what luxon makes of it', () => {
  for (const wall of ['2027-02-30T10:00:00', '2027-03-01T24:00:00', 'soon'])
    expect(onOtherClock(wall, 'Europe/Dublin', 'UTC')).toBe(byLibrary(wall, 'Europe/Dublin', 'UTC'));
});
