// The campus stand-in: node dist/stand-ins/campus.mjs [port]. CAMPUS_TROUBLES says what goes wrong, CAMPUS_DATA where it keeps its state.
import { join } from 'node:path';
import { bio355AtHost } from '../../demo/bio-355/build';
import { CampusHost } from './host';
import { seedShell } from './seed-shell';
import { startCampusHost } from './serve';
import { loadSnapshot, saveSnapshot } from './snapshot';
import { readTroubles } from './troubles';

const port = Number(process.argv[2] ?? 4150);
const file = join(process.env['CAMPUS_DATA'] ?? '.data', 'campus-host.json');
/** How often its state is written down where it changed, in milliseconds. */
const saveEvery = 500;

const host = new CampusHost(Date.now());
host.setTroubles(readTroubles(process.env['CAMPUS_TROUBLES']));
if (!loadSnapshot(host, file)) {
  const { shell, composer } = bio355AtHost();
  seedShell(host, shell, composer.source, { readOnly: [] });
}
const running = await startCampusHost(host, port);
console.log(`Campus host (a stand-in): ${running.address}`);

/** Counts up with every change of any shell. */
const revision = () =>
  [...host.shells.values()].reduce(
    (sum, { version, collections }) =>
      sum + version + Object.values(collections).reduce((part, one) => part + one.revision, 0),
    host.keys.size,
  );
let saved = -1;
function save(): void {
  const now = revision();
  if (now === saved) return;
  saved = now;
  saveSnapshot(host, file);
}
const timer = setInterval(save, saveEvery);
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    clearInterval(timer);
    save();
    void running.close().then(() => process.exit(0));
  });
