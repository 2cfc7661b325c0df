import fc from 'fast-check';
import { append } from '@/core/collect';
import type { Connector, NameThere } from '../connector';
import { shells, writtenPlans } from '@/core/plan/__tests__/random-shells';
import { stepsOf } from '@/core/plan/__tests__/written-plans';
import { runPlan } from '@/core/plan/run-plan';
import { scriptOf, undoScript, type ScriptLine } from '@/core/plan/script';
import { makeStep } from '@/core/plan/written-step';
import { invertEdits, type Edit } from '@/core/edits/edit';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { Result } from '@/core/shell/result';

/** A shell that stands somewhere, and the connector that leads to it. */
export interface Setting {
  readonly connector: Connector;
  /** Somebody else gives the first item of the outline another title. */
  renameFirst(title: string): Promise<void>;
  /** The process ends: a connector that knows nothing of what this one did but the names. */
  again(names?: readonly NameThere[]): Connector;
  close(): Promise<void>;
}
export type SetUp = (shell: Shell) => Promise<Setting>;

const value = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
};

/** What every connector keeps to; `runs` says how many generated plans are tried. */
export function connectorContract(name: string, setUp: SetUp, runs: number): void {
  const plans = shells.chain((shell) =>
    writtenPlans(shell).map((written) => ({
      shell,
      written: written.filter((one) => makeStep(shell, one).ok),
    })),
  );
  /** A script for the shell as the connector reads it: over there things may go by other refs. */
  async function scriptFor(connector: Connector, before: Shell, written: Parameters<typeof stepsOf>[1]) {
    const { shell } = value(await connector.read());
    const places = new Map(before.items.map((item, at) => [item.ref as string, shell.items[at]?.ref ?? '']));
    const renamed = JSON.parse(
      JSON.stringify(written, (_, one: unknown) =>
        typeof one === 'string' ? (places.get(one) ?? one) : one,
      ),
    ) as typeof written;
    const steps = stepsOf(
      shell,
      renamed.filter((one) => makeStep(shell, one).ok),
    ).filter(({ action }) => connector.capabilities.has(action));
    const run = runPlan(shell, steps);
    return { shell, run, script: scriptOf(run) };
  }
  const send = async (connector: Connector, key: string, lines: readonly ScriptLine[]) => {
    const learnt: NameThere[] = [];
    for (let at = 0; at < lines.length; at += 7) {
      const edits = lines.slice(at, at + 7).map(({ edit }) => edit);
      const { outcomes, names } = value(await connector.carryOut({ key: `${key}:${at}`, edits }));
      expect(outcomes).toEqual(edits.map(() => ({ is: 'done' })));
      for (const name of names) learnt.push(name);
    }
    return learnt;
  };

  describe(`${name} keeps the contract of connectors:`, () => {
    test('a plan comes out as rehearsed, and back again to the shell as it was', async () => {
      await fc.assert(
        fc.asyncProperty(plans, async ({ shell: before, written }) => {
          const setting = await setUp(before);
          try {
            const { shell, run, script } = await scriptFor(setting.connector, before, written);
            let connector = setting.connector;
            const names: NameThere[] = [];
            const sendAll = async (key: string, lines: readonly ScriptLine[]) => {
              append(names, await send(connector, key, lines));
            };
            // Twice: what was made anew once is made anew again, by one that knows the names alone.
            for (const turn of ['first', 'second']) {
              await sendAll(`${turn} do`, script);
              expect(value(await connector.read()).shell).toEqual(run.after);
              await sendAll(`${turn} undo`, undoScript(script));
              const back = value(await connector.read());
              const mends = back.mends.map((edit): ScriptLine => ({ edit, steps: [] }));
              await sendAll(`${turn} mend`, mends);
              const mended = value(await connector.read());
              expect(mended.shell).toEqual(shell);
              expect(mended.mends).toEqual([]);
              connector = setting.again(names);
            }
          } finally {
            await setting.close();
          }
        }),
        { numRuns: runs },
      );
    }, 900_000);

    test('sent again under the same key, nothing is done twice, also by one that knows nothing of it', async () => {
      const setting = await setUp(smallShell());
      const { shell } = value(await setting.connector.read());
      const batch = { key: 'once', edits: [renaming(shell, 0, 'Once'), removalOf(shell, 1)] };
      expect(value(await setting.connector.lookUp(batch))).toBeNull();
      const first = value(await setting.connector.carryOut(batch));
      expect(value(await setting.connector.carryOut(batch))).toEqual(first);
      const other = setting.again();
      expect(value(await other.lookUp(batch))?.outcomes).toEqual(first.outcomes);
      const after = value(await other.read()).shell;
      expect(after.items.map((item) => item.title)).toEqual(['Once', ...titlesOf(shell).slice(2)]);
      await setting.close();
    });

    test('names of what was made are told again to who asks what became of it', async () => {
      const setting = await setUp(shellWithPage());
      const before = value(await setting.connector.read()).shell;
      const removed = await setting.connector.carryOut({ key: 'away', edits: removalsOf(before) });
      expect(value(removed).outcomes.every(({ is }) => is === 'done')).toBe(true);
      const back = { key: 'back', edits: invertEdits(removalsOf(before)) };
      const answer = value(await setting.connector.carryOut(back));
      const told = value(await setting.again().lookUp(back));
      expect(told?.names).toEqual(answer.names);
      const other = setting.again(answer.names);
      expect(value(await other.read()).shell).toEqual(before);
      await setting.close();
    });

    test('what somebody else changed is left as it is and told; the rest is done', async () => {
      const setting = await setUp(smallShell());
      const { shell } = value(await setting.connector.read());
      await setting.renameFirst('Theirs');
      const edits = [renaming(shell, 0, 'Ours'), renaming(shell, 2, 'Third')];
      const { outcomes } = value(await setting.connector.carryOut({ key: 'k', edits }));
      expect(outcomes).toMatchObject([{ is: 'refused', why: 'changed' }, { is: 'done' }]);
      expect(outcomes[0]).toHaveProperty('reason', expect.stringMatching(/\S/));
      expect(titlesOf(value(await setting.connector.read()).shell)).toEqual([
        'Theirs',
        titlesOf(shell)[1],
        'Third',
      ]);
      await setting.close();
    });

    test('what is not there any more is told', async () => {
      const setting = await setUp(smallShell());
      const { shell } = value(await setting.connector.read());
      await setting.connector.carryOut({ key: 'first', edits: [removalOf(shell, 2)] });
      const { outcomes } = value(
        await setting.connector.carryOut({
          key: 'second',
          edits: [renaming(shell, 2, 'Gone'), removalOf(shell, 2)],
        }),
      );
      expect(outcomes).toMatchObject([{ is: 'refused' }, { is: 'refused' }]);
      await setting.close();
    });
  });
}

const titlesOf = (shell: Shell) => shell.items.map((item) => item.title);

function smallShell(): Shell {
  const composer = new ShellComposer();
  composer.heading('First', { ref: 'a' });
  composer.heading('Second', { ref: 'b' });
  composer.heading('Third of them', { ref: 'c' });
  return composer.shell();
}

function shellWithPage(): Shell {
  const composer = new ShellComposer();
  composer.heading('First', { ref: 'a' });
  composer.page('A page', '<p>here</p>', { ref: 'p', path: 'pages/here.html' });
  return composer.shell();
}

const renaming = (shell: Shell, at: number, title: string): Edit => ({
  op: 'change',
  list: 'items',
  ref: shell.items[at]?.ref ?? '',
  before: { title: shell.items[at]?.title ?? '' },
  after: { title },
});

function removalOf(shell: Shell, at: number): Edit {
  const thing = shell.items[at];
  if (!thing) throw new Error(`there is no item ${at}`);
  return { op: 'remove', list: 'items', things: [{ after: shell.items[at - 1]?.ref ?? null, thing }] };
}

/** Takes the last item away with its content: what refers goes before what is referred to. */
function removalsOf(shell: Shell): Edit[] {
  const content = shell.contents.find(({ id }) => shell.items.some((item) => item.content === id));
  const at = shell.items.findIndex((item) => item.content !== null && item.content === content?.id);
  const [file] = shell.entries;
  if (!content || !file) throw new Error('the shell has no page');
  return [
    removalOf(shell, at),
    { op: 'remove', list: 'entries', things: [{ after: null, thing: file }] },
    { op: 'remove', list: 'contents', things: [{ after: null, thing: content }] },
  ];
}
