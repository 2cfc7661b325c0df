import { randomUUID } from 'node:crypto';
import type { Sha256 } from '@/core/shell/refs';
import { audits } from '@/store/schema';
import type { Context } from '../context';
import { keptRules } from '../house-rules/house-rules';
import type { CurrentShell } from '../shells/current-shell';

/** Orders a shell to be combed; the findings are kept with the version that was combed. */
export function orderComb(context: Context, shell: CurrentShell): string {
  const { row, version } = shell;
  const { written, key } = keptRules(context);
  return context.jobs.order(
    'comb',
    row.id,
    { stateBlob: version.stateBlob as Sha256, rules: written },
    ({ audit, milliseconds }) => {
      context.db
        .insert(audits)
        .values({
          id: randomUUID(),
          shellId: row.id,
          versionId: version.id,
          audit: JSON.stringify(audit),
          milliseconds,
          rulesKey: key,
          combedAt: new Date().toISOString(),
        })
        .run();
      return { findings: audit.findings.length };
    },
  );
}
