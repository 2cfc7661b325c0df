import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeCartridge } from '@/formats/cartridge/write-cartridge';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import { buildHyd214 } from './hyd-214/build';
import { autumnCalendar, springCalendar } from './hyd-214/calendar';

/**
 * Writes the demo to demo/out: real packages by our own writer, read through the ordinary way in.
 * What a campus system would report by itself stands in the status sheet, so the package is written without it.
 */
const out = join(process.cwd(), 'demo/out/hyd-214');
mkdirSync(out, { recursive: true });
const composer = buildHyd214();
const shell = composer.shell();
const bare = {
  ...shell,
  code: '',
  items: shell.items.map((i) => ({ ...i, shown: null, opens: null, closes: null, due: null, created: null, modified: null, batch: null, studentWork: null })),
  files: shell.files.map((f) => ({ ...f, created: null, modified: null })),
};
await writeCartridge(bare, composer.source, join(out, 'HYD-214.imscc'));
const status = writeStatusSheet({ ...shell, items: shell.items.map((i) => ({ ...i, shown: i.shown ?? true })) }).replace(/^(resource:[^,]*,Welcome back,)page/m, '$1announcement');
writeFileSync(join(out, 'status.csv'), status);
writeFileSync(join(out, 'events.ics'), springCalendar());
writeFileSync(join(out, 'previous-events.ics'), autumnCalendar());
console.log(`Demo written to ${out}: ${shell.items.length} items, ${shell.files.length} files`);
