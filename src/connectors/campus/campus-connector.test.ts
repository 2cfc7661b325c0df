import { runs as runsOf } from '@/core/__tests__/runs';
import type { Shell } from '@/core/shell/model';
import type { Sha256 } from '@/core/refs/refs';
import { digest } from '@/core/refs/digest';
import { CampusHost } from '../../../stand-ins/campus/host';
import { setFields } from '../../../stand-ins/campus/host-shell';
import { seedShell } from '../../../stand-ins/campus/seed-shell';
import { startCampusHost } from '../../../stand-ins/campus/serve';
import { allTroubles, noTroubles, type Troubles } from '../../../stand-ins/campus/troubles';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { connectorContract, type Setting } from '../__tests__/contract';
import type { NameThere } from '../connector';
import { CampusConnector, type FileVault } from './campus-connector';
import { HostClient, usualPace, type Hitch, type Pace } from './host-client';
import { Names } from './names';

/** Bytes in memory; what nobody has is made up, since generated shells have no bytes. */
function vaultInMemory(): FileVault {
  const kept = new Map<string, Buffer>();
  return {
    has: () => true,
    read: (hash) => kept.get(hash) ?? Buffer.from(''),
    put: (bytes) => {
      const hash: Sha256 = digest(bytes);
      kept.set(hash, bytes);
      return hash;
    },
  };
}

async function setUp(shell: Shell, troubles: Troubles, pace: Pace): Promise<Setting> {
  const host = new CampusHost();
  const id = seedShell(host, shell, { read: () => null });
  host.setTroubles(troubles);
  const running = await startCampusHost(host);
  const access = { address: running.address, name: 'r.alder', secret: 'marsh-marigold' };
  // What files say is of no account here: the host takes any bytes.
  host.keepBytes = () => true;
  const connect = (names: readonly NameThere[] = []) =>
    new CampusConnector(new HostClient(access, () => {}, pace), {
      shell: id,
      names: new Names(names),
      vault: vaultInMemory(),
      onHitch: () => {},
      onProgress: () => {},
    });
  return {
    connector: connect(),
    renameFirst: async (title) => {
      const standing = host.shells.get(id);
      const record = standing?.collections.outline.records.get(standing.collections.outline.order[0] ?? '');
      if (standing && record) setFields(standing, 'outline', record, { ...record.fields, title });
    },
    again: connect,
    close: () => running.close(),
  };
}

/** Waits shorter than for people: the host is on this computer. */
const quickPace: Pace = { ...usualPace, firstWait: 2, longestWait: 40, patience: 60 };
const runs = runsOf(40, 15);

connectorContract('the campus connector', (shell) => setUp(shell, noTroubles, usualPace), runs);

const troubled: Troubles = { ...allTroubles, slow: 0, hurry: 0, stall: 12, restart: 90, drop: 0.1 };
connectorContract(
  'the campus connector among all troubles',
  (shell) => setUp(shell, troubled, quickPace),
  Math.ceil(runs / 4),
);

async function connected(troubles: Troubles, hitches: Hitch[] = []) {
  const composer = new ShellComposer();
  composer.heading('Only one', { ref: 'a' });
  const host = new CampusHost();
  const id = seedShell(host, composer.shell(), { read: () => null });
  host.setTroubles(troubles);
  const running = await startCampusHost(host);
  const access = { address: running.address, name: 'r.alder', secret: 'marsh-marigold' };
  const client = new HostClient(access, (hitch) => hitches.push(hitch), quickPace);
  const connector = new CampusConnector(client, {
    shell: id,
    names: new Names(),
    vault: vaultInMemory(),
    onHitch: (hitch) => hitches.push(hitch),
    onProgress: () => {},
  });
  return { connector, running, host, id };
}

test('a copy that still runs is waited for, and told', async () => {
  const hitches: Hitch[] = [];
  const { connector, running } = await connected({ ...noTroubles, copy: 35 }, hitches);
  const read = await connector.read();
  expect(read.ok && read.value.shell.items).toHaveLength(36);
  expect(hitches.some(({ kind }) => kind === 'unsteady')).toBe(true);
  await running.close();
});

test('a shell that does not come to rest is refused with what to do', async () => {
  const { connector, running } = await connected({ ...noTroubles, others: 3 });
  expect(await connector.read()).toMatchObject({
    ok: false,
    trouble: { code: 'unsteady', message: expect.stringMatching(/Try again/) },
  });
  await running.close();
});

test('a host that is not there is said after all tries', async () => {
  const { connector, running } = await connected(noTroubles);
  await running.close();
  expect(await connector.read()).toMatchObject({
    ok: false,
    trouble: { code: 'unreachable', message: expect.stringMatching(/14 tries/) },
  });
});

test('who is too fast waits as long as the host says', async () => {
  const hitches: Hitch[] = [];
  const { connector, running } = await connected({ ...noTroubles, hurry: 15 }, hitches);
  const begun = Date.now();
  expect(await connector.read()).toMatchObject({ ok: true });
  expect(Date.now() - begun).toBeGreaterThanOrEqual(1000);
  expect(hitches.map(({ kind }) => kind)).toContain('too-fast');
  await running.close();
});

test('student work that came in since is not taken away', async () => {
  const { connector, running, host, id } = await connected(noTroubles);
  const read = await connector.read();
  if (!read.ok) throw new Error(read.trouble.message);
  const standing = host.shells.get(id);
  const record = standing?.collections.outline.records.get(standing.collections.outline.order[0] ?? '');
  if (record) record.fields = { ...record.fields, studentWork: 3 };
  const [thing] = read.value.shell.items;
  if (!thing) throw new Error('there is no item');
  const edits = [{ op: 'remove', list: 'items', things: [{ after: null, thing }] } as const];
  const outcome = await connector.carryOut({ key: 'k', edits });
  expect(outcome).toMatchObject({ ok: true, value: { outcomes: [{ is: 'refused', why: 'held' }] } });
  await running.close();
});

test('what is no answer of the API is said', async () => {
  const { running } = await connected(noTroubles);
  const access = { address: `${running.address}/openapi.json?`, name: 'r.alder', secret: 'x' };
  const read = await new HostClient(access, () => {}, quickPace).signIn();
  expect(read).toMatchObject({ ok: false });
  const wrong = await new HostClient({ ...access, address: running.address }, () => {}, quickPace).signIn();
  expect(wrong).toMatchObject({ ok: false, trouble: { code: 'signed-out' } });
  await running.close();
});
