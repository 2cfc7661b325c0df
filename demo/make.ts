import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Shell } from '@/core/shell/model';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeCartridge } from '@/formats/cartridge/write-cartridge';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import { bio355AtHost } from './bio-355/build';
import { autumnWalks } from './bio-355/calendar';
import { buildGeo130, geo130Roster } from './geo-130/build';
import { buildHyd214, previousTerm } from './hyd-214/build';
import { autumnCalendar, springCalendar } from './hyd-214/calendar';
import { buildHyd214E } from './hyd-214-e/build';
import { buildLib101, lib101Calendar, lib101Roster } from './lib-101/build';
import { writeZip } from '@/formats/archive/write-zip';
import { buildTemplate } from './template/build';

/**
 * Writes the demo to demo/out: real packages by our own writer, read through the ordinary way in.
 * What a campus system would report by itself stands in the status sheet, so the packages are written without it.
 */
const out = join(process.cwd(), 'demo/out');
const folder = (name: string): string => {
  mkdirSync(join(out, name), { recursive: true });
  return join(out, name);
};
const withoutStatus = (shell: Shell): Shell => ({
  ...shell,
  code: '',
  term: { title: '', start: null, end: null },
  previousTerm: null,
  timeZone: 'UTC',
  items: shell.items.map((i) => ({
    ...i,
    shown: shell.frame.format === 'content-packaging' ? i.shown : null,
    opens: null,
    closes: null,
    due: null,
    created: null,
    modified: null,
    batch: null,
    studentWork: null,
  })),
  files: shell.files.map((f) => ({ ...f, created: null, modified: null })),
});
const told = (shell: Shell): string =>
  writeStatusSheet({ ...shell, items: shell.items.map((i) => ({ ...i, shown: i.shown ?? true })) });
const report = (name: string, composer: ShellComposer) =>
  console.log(`${name}: ${composer.shell().items.length} items, ${composer.shell().files.length} files`);

{
  const dir = folder('hyd-214');
  const composer = buildHyd214();
  await writeCartridge(withoutStatus(composer.shell()), composer.source, join(dir, 'HYD-214.imscc'));
  writeFileSync(
    join(dir, 'status.csv'),
    told(composer.shell()).replace(/^(resource:[^,]*,Welcome back,)page/m, '$1announcement'),
  );
  writeFileSync(join(dir, 'events.ics'), springCalendar());
  writeFileSync(join(dir, 'previous-events.ics'), autumnCalendar());
  report('HYD 214', composer);
}
{
  const dir = folder('hyd-214-e');
  const composer = buildHyd214E();
  await writeCartridge(withoutStatus(composer.shell()), composer.source, join(dir, 'HYD-214-E.imscc'));
  report('HYD 214-E', composer);
}
{
  const dir = folder('geo-130');
  const composer = buildGeo130();
  await writeCartridge(withoutStatus(composer.shell()), composer.source, join(dir, 'GEO-130.zip'));
  writeFileSync(join(dir, 'status.csv'), told(composer.shell()));
  writeZip(join(dir, 'roster.zip'), geo130Roster());
  report('GEO 130', composer);
}
{
  const dir = folder('lib-101');
  const composer = buildLib101();
  await writeCartridge(withoutStatus(composer.shell()), composer.source, join(dir, 'LIB-101.imscc'));
  writeFileSync(join(dir, 'status.csv'), told(composer.shell()));
  writeFileSync(join(dir, 'events.ics'), lib101Calendar());
  writeZip(join(dir, 'roster.zip'), lib101Roster());
  report('LIB 101', composer);
}
{
  const dir = folder('bio-355');
  const { shell, composer } = bio355AtHost();
  await writeCartridge(withoutStatus(shell), composer.source, join(dir, 'BIO-355.imscc'));
  writeFileSync(join(dir, 'status.csv'), told(shell));
  writeFileSync(join(dir, 'events.ics'), autumnWalks(previousTerm.start));
  report('BIO 355', composer);
}
{
  const composer = buildTemplate();
  await writeCartridge(
    withoutStatus(composer.shell()),
    composer.source,
    join(folder('template'), 'template.imscc'),
  );
  report('Template', composer);
}
