import { families, type Family, type Finding } from '@/core/checks/finding/finding';
import { smoothnessOf, type Smoothness } from '@/core/checks/finding/smoothness';
import { compareAudits } from '@/core/rehearse/rehearse';
import type { Sketch } from '@/core/shell/sketch';
import { allFindings } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import {
  findAudit,
  findVersion,
  sketchOfVersion,
  type AuditHead,
  type CurrentShell,
  type RunRow,
} from '@/services/keep/shells/current-shell';

interface Side {
  readonly smoothness: Smoothness;
  readonly findings: readonly Finding[];
  readonly sketch: Sketch;
}
/** What a run did to the findings: the audit before it against the audit of what it left. */
export interface Comparison {
  readonly before: Side;
  readonly after: Side;
  readonly byFamily: readonly { readonly family: Family; readonly before: number; readonly after: number }[];
  readonly closed: readonly Finding[];
  readonly caused: readonly Finding[];
  /** What is left of findings that became smaller. */
  readonly leftOver: readonly Finding[];
}

/** Null where one of the two states has not been combed (yet). */
export function compareRun(folder: OpenFolder, shell: CurrentShell, run: RunRow): Comparison | null {
  const before = run.auditBefore === null ? null : findAudit(folder, run.auditBefore);
  const version = findVersion(folder.db, run.beforeVersion);
  if (!before || !version || !shell.audit || shell.version.id !== run.afterVersion) return null;
  const was = sideOf(folder, before, sketchOfVersion(folder, version));
  const now = sideOf(folder, shell.audit, sketchOfVersion(folder, shell.version));
  const count = (side: Side, family: Family) => side.findings.filter((f) => f.family === family).length;
  return {
    before: was,
    after: now,
    byFamily: families.map((family) => ({ family, before: count(was, family), after: count(now, family) })),
    ...compareAudits(was, now),
  };
}

function sideOf({ db }: OpenFolder, audit: AuditHead, sketch: Sketch): Side {
  const findings = allFindings(db, audit.id);
  return { smoothness: smoothnessOf(audit.counts, findings), findings, sketch };
}
