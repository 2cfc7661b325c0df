import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { shellRef } from '@/core/refs/refs';
import type { LocalDate } from '@/core/dates/local-date';
import { readShell } from '@/services/do/packages/read-shell';
import { rawZip } from './raw-zip';

jest.setTimeout(240_000);
const today = '2027-01-04' as LocalDate;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-fuzz-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A repeatable source of numbers (mulberry32): a case that fails can be run again by its number. */
function seeded(seed: number): (below: number) => number {
  let a = seed >>> 0;
  return (below) => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return Math.floor((((t ^ (t >>> 14)) >>> 0) / 4294967296) * below);
  };
}

/** Flips, cuts, doubles, exchanges and drops bytes, one to eight times. */
function damage(bytes: Buffer, random: (below: number) => number): Buffer {
  let damaged = Buffer.from(bytes);
  for (let n = 1 + random(8); n > 0 && damaged.length > 4; n -= 1) {
    const at = random(damaged.length);
    const length = 1 + random(Math.min(64, damaged.length - at));
    switch (random(6)) {
      case 0:
        damaged[at] = random(256);
        break;
      case 1:
        damaged[at]! ^= 1 << random(8);
        break;
      case 2:
        damaged = Buffer.concat([damaged.subarray(0, at), damaged.subarray(at + length)]);
        break;
      case 3:
        damaged = Buffer.concat([damaged.subarray(0, at + length), damaged.subarray(at)]);
        break;
      case 4:
        damaged = damaged.subarray(0, Math.max(1, at));
        break;
      case 5:
        damaged.fill('<>&"\'[]{}/\\0xff;:='.charCodeAt(random(17)), at, at + Math.min(length, 4));
        break;
    }
  }
  return damaged;
}

async function validParts(): Promise<Record<string, Buffer>> {
  const c = new ShellComposer({ ref: shellRef('fuzz'), code: 'HYD 214', title: 'Fuzzed' });
  const week = c.module('Week 1', { ref: 'w1' });
  c.page(
    'Gauge',
    '<html><head><title>Gauge</title><link rel="stylesheet" href="look.css"></head><body><p>Read <a href="../m.png?x=1#f">it</a> at eye level.</p></body></html>',
    { ref: 'p1', parent: week, path: 'w/gauge.html' },
  );
  c.discussion('Talk', '<p>Say &amp; hear</p>', { ref: 'd1', parent: week });
  c.assignment('Notebook', '<p>Hand in</p>', 20, { ref: 'a1', parent: week });
  c.quiz('Check', [{ stem: '<p>How high?</p>', answers: ['one', 'two'], right: 1, points: 2 }], {
    ref: 'q1',
    parent: week,
  });
  c.webLink('Agency', 'https://example.org/', { ref: 'l1', parent: week });
  c.bank('bank', [{ stem: 'Which?', answers: ['a', 'b'], right: 0, points: 1 }], 'bank.xml');
  c.file('m.png', Buffer.from([1, 2, 3]));
  c.file('w/look.css', 'body{background:url(../m.png)}');
  const path = join(folder, 'valid.imscc');
  await c.write(path);
  const parts: Record<string, Buffer> = { package: readFileSync(path) };
  parts['manifest'] = Buffer.from((await entryOf(path, 'imsmanifest.xml')).toString('utf8'));
  for (const name of ['w/gauge.html', 'w/look.css', 'bank.xml', 'currycomb/shell-state.json'])
    parts[name] = await entryOf(path, name);
  parts['quiz'] = await entryOf(
    path,
    (/href="(quiz\/[^"]+)"/.exec(parts['manifest'].toString('utf8')) ?? [])[1] ?? '',
  );
  return parts;
}

async function entryOf(path: string, name: string): Promise<Buffer> {
  const { openArchive } = await import('@/formats/archive/read-archive');
  const archive = await openArchive(path, 'valid');
  if (!archive.ok) throw new Error(archive.trouble.message);
  const bytes = archive.value.read(name as Parameters<typeof archive.value.read>[0]);
  archive.value.close();
  if (!bytes.ok) throw new Error(bytes.trouble.message);
  return bytes.value;
}

const calendar = Buffer.from(
  'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\nBEGIN:VTIMEZONE\r\nTZID:Europe/Dublin\r\nBEGIN:STANDARD\r\nDTSTART:19961027T020000\r\nTZOFFSETFROM:+0100\r\nTZOFFSETTO:+0000\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20270101T000000Z\r\nDTSTART;TZID=Europe/Dublin:20270111T090000\r\nDURATION:PT50M\r\nRRULE:FREQ=WEEKLY;BYDAY=MO,WE;UNTIL=20270430T000000Z\r\nEXDATE;TZID=Europe/Dublin:20270118T090000\r\nSUMMARY:Lecture\r\nEND:VEVENT\r\nBEGIN:VTODO\r\nUID:2\r\nDUE:20270129T235900Z\r\nSUMMARY:Notebook\r\nEND:VTODO\r\nEND:VCALENDAR\r\n',
);
const sheet = Buffer.from(
  'ref,title,visible,due,points,requires\np1,Gauge,no,2027-01-29,,\na1,"Note, book",yes,2027-02-05T17:00,20,p1 q1\n',
);

/** One case: a damaged package as bytes, or a whole package in which one part is damaged, or a damaged side file. */
async function run(seed: number, parts: Readonly<Record<string, Buffer>>): Promise<string> {
  const random = seeded(seed);
  const write = (name: string, data: Buffer) => {
    const path = join(folder, name);
    writeFileSync(path, data);
    return { path, name };
  };
  const names = [
    'package',
    'manifest',
    'w/gauge.html',
    'w/look.css',
    'bank.xml',
    'quiz',
    'currycomb/shell-state.json',
    'events',
    'status',
  ];
  const target = names[random(names.length)]!;
  let data = parts['package']!;
  if (target === 'package') data = damage(data, random);
  else if (parts[target]) {
    const path = target === 'manifest' ? 'imsmanifest.xml' : target;
    const rest = ['w/gauge.html', 'w/look.css', 'bank.xml', 'currycomb/shell-state.json'].filter(
      (n) => n !== target,
    );
    data = rawZip([
      {
        path: 'imsmanifest.xml',
        data: target === 'manifest' ? damage(parts['manifest']!, random) : parts['manifest']!,
      },
      ...rest.map((n) => ({ path: n, data: parts[n]! })),
      ...(path === 'imsmanifest.xml'
        ? []
        : [
            {
              path: target === 'quiz' ? quizPath(parts['manifest']!) : path,
              data: damage(parts[target], random),
            },
          ]),
    ]);
  }
  const read = await readShell({
    package: write('case.imscc', data),
    events: write('case.ics', target === 'events' ? damage(calendar, random) : calendar),
    status: write('case.csv', target === 'status' ? damage(sheet, random) : sheet),
    termEnd: '2027-05-07' as LocalDate,
    today,
  });
  if (!read.ok) return read.trouble.message;
  read.value.archive.close();
  return '';
}

const quizPath = (manifest: Buffer): string =>
  /href="(quiz\/[^"]+)"/.exec(manifest.toString('utf8'))?.[1] ?? 'quiz.xml';

test('5,000 damaged inputs: each is read or refused with one sentence, none fails', async () => {
  const parts = await validParts();
  expect(await run(0, { ...parts })).toBeDefined();
  const failures: string[] = [];
  let refused = 0;
  for (let seed = 1; seed <= 5000; seed += 1) {
    try {
      const message = await run(seed, parts);
      if (message !== '') {
        refused += 1;
        if (!/^[^\n]{10,600}[.!?]$/s.test(message)) failures.push(`${seed}: ${message}`);
      }
    } catch (error) {
      failures.push(`${seed}: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`);
    }
  }
  expect(failures).toEqual([]);
  // Both ends are met: damage that is survived and damage that is not.
  expect(refused).toBeGreaterThan(200);
  expect(refused).toBeLessThan(4800);
});
