import { z } from 'zod';
import { incomingTypes } from '@/core/add/incoming';
import { append } from '@/core/collect';
import type { Shell } from '@/core/shell/model';
import { nameOfShell } from '@/core/shell/name-of-shell';
import { plural } from '@/core/text/plural';
import { changeKinds, changeTitles, type Change } from '@/core/two-shells/change';
import type { ShellComparison } from '@/core/two-shells/compare-shells';

const count = z.int();
const about = z.strictObject({ code: z.string(), title: z.string() });
/** What `compare --format json` prints (docs/schemas). */
export const compareSchema = z.strictObject({
  schema: z.literal('currycomb.compare/1'),
  other: about,
  here: about,
  counts: z.strictObject({
    gone: count,
    added: count,
    changed: count,
    're-dated': count,
    moved: count,
    reordered: count,
    same: count,
  }),
  changes: z.array(
    z.strictObject({
      kind: z.enum(changeKinds),
      type: z.enum(incomingTypes),
      ref: z.string(),
      other: z.string().nullable(),
      title: z.string(),
      path: z.array(z.string()),
      differences: z.array(z.string()),
      days: z.int().nullable(),
    }),
  ),
});
export type CompareJson = z.output<typeof compareSchema>;

export const compareJson = (other: Shell, here: Shell, comparison: ShellComparison): CompareJson => ({
  schema: 'currycomb.compare/1',
  other: { code: other.code, title: other.title },
  here: { code: here.code, title: here.title },
  counts: { ...comparison.counts, same: comparison.same },
  changes: comparison.changes.map(({ says, path, ...change }) => ({
    ...change,
    path: [...path],
    differences: [...says],
  })),
});

export function compareText(other: Shell, here: Shell, { changes, counts, same }: ShellComparison): string {
  const name = (shell: Shell) => nameOfShell(shell) || 'a shell';
  const lines = [`${name(here)}, compared with ${name(other)}: ${plural(same, 'thing')} the same`];
  for (const kind of changeKinds) {
    if (counts[kind] === 0) continue;
    lines.push('', `${changeTitles[kind]}: ${counts[kind]}`);
    append(lines, changes.filter((change) => change.kind === kind).map(sayChange));
  }
  return `${lines.join('\n')}\n`;
}

function sayChange({ type, path, title, says }: Change): string {
  const where = [...path, title].join(' › ');
  return `  ${type}: ${where}${says.length > 0 ? ` (${says.join('; ')})` : ''}`;
}
