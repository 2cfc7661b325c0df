import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { CheckRecord } from '@/core/checks/check/check';
import { checkCases, shellFrom } from '@/core/checks/__tests__/check-cases';
import { runChecks } from '@/core/checks/run/run-checks';
import { allChecks } from '@/core/checks/run/registry';
import { connectorContract } from '@/connectors/__tests__/contract';
import type { BatchOutcome, Connector } from '@/connectors/connector';
import type { Action } from '@/core/plan/action/action';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';

/** The examples of docs/contributing.md as files: written where jest transforms them, and taken away again. */
const folder = join(process.cwd(), 'scripts/__tests__/.examples');
const page = readFileSync(join(process.cwd(), 'docs/contributing.md'), 'utf8');
const examples = new Map(
  [...page.matchAll(/^```ts file=(\S+)\n([\s\S]*?)^```/gm)].map((match) => [match[1] ?? '', match[2] ?? '']),
);
for (const [path, code] of examples) {
  const file = join(folder, path);
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, code);
}
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What a file of an example exports. */
function exported<T>(path: string): T {
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- written a moment ago, so no import can name it
  return require(join(folder, path)) as T;
}

test('there is an example of each', () => {
  expect([...examples.keys()].map((path) => path.split('/')[1])).toEqual([
    'core',
    'core',
    'formats',
    'connectors',
  ]);
});

describe('a check', () => {
  const { loudTitle } = exported<{ loudTitle: CheckRecord }>('src/core/checks/structure/loud-title.ts');
  checkCases(loudTitle, {
    fires: [
      {
        name: 'a title in capitals',
        build: (c) => void c.page('READ THIS BEFORE THE FIRST MEETING', '<p>Hello</p>', { ref: 'p' }),
        subjects: [['p']],
      },
    ],
    silent: [
      { name: 'an abbreviation', build: (c) => void c.page('UNESCO', '<p>Hello</p>') },
      { name: 'a title as titles are', build: (c) => void c.page('Read this before', '<p>Hello</p>') },
    ],
  });
  test('runs beside all the others', () => {
    const shell = shellFrom((c) => void c.page('BRING BOOTS AND A COAT', '<p>Hello</p>'));
    const audit = runChecks(shell, { checks: [...allChecks, loudTitle] });
    expect(audit.checks).toHaveLength(allChecks.length + 1);
    expect(audit.findings.map(({ check }) => check)).toContain('structure.loud-title');
  });
});

test('an action says what it sets, does it, and does nothing twice', () => {
  const { trimTitle } = exported<{ trimTitle: Action<string, unknown, { title: string }, unknown> }>(
    'src/core/plan/actions/trim-title.ts',
  );
  const c = new ShellComposer();
  c.page(' Week 1 ', '<p>Hello</p>', { ref: 'p' });
  const shell = c.shell();
  const sets = trimTitle.setsOf({}, 'p', shell);
  const now = trimTitle.now(shell, 'p', sets);
  expect(now).toEqual({ title: ' Week 1 ' });
  expect(now && trimTitle.isSet(now, sets, shell, 'p')).toBe(false);
  const { shell: after, blocked } = trimTitle.apply(shell, [{ ref: 'p', expects: now, sets }]);
  expect([after.items[0]?.title, blocked.size]).toEqual(['Week 1', 0]);
  const then = trimTitle.now(after, 'p', sets);
  expect(then && trimTitle.isSet(then, sets, after, 'p')).toBe(true);
});

test('a format writes core values', () => {
  const { writeReadingList } = exported<{ writeReadingList: (shell: Shell) => string }>(
    'src/formats/reading-list/write-reading-list.ts',
  );
  const c = new ShellComposer();
  c.webLink('Maps, old and new', 'https://maps.example/?a=1,2', { ref: 'w' });
  expect(writeReadingList(c.shell())).toBe('Address,Stands in\r\n"https://maps.example/?a=1,2",w\r\n');
});

interface Drawer {
  shell: Shell;
  readonly done: Map<string, BatchOutcome>;
}
const { DrawerConnector } = exported<{ DrawerConnector: new (drawer: Drawer) => Connector }>(
  'src/connectors/drawer/drawer-connector.ts',
);
connectorContract(
  'the connector of the page',
  async (shell) => {
    const drawer: Drawer = { shell, done: new Map() };
    return {
      connector: new DrawerConnector(drawer),
      renameFirst: async (title) => {
        const items = drawer.shell.items.map((item, at) => (at === 0 ? { ...item, title } : item));
        drawer.shell = { ...drawer.shell, items };
      },
      again: () => new DrawerConnector(drawer),
      close: async () => {},
    };
  },
  20,
);
