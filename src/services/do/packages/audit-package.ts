import { urgencies, type Urgency } from '@/core/checks/finding/finding';
import { smoothnessOf } from '@/core/checks/finding/smoothness';
import { auditJson, type AuditJson } from '@/formats/report/audit-json';
import { auditCsv, auditText } from '@/formats/report/audit-text';
import { reportHtml } from '@/formats/report/report-html';
import { loadHouseRules } from './house-rules-file';
import { readShell } from './read-shell';
import type { ShellInputs } from './shell-inputs';
import { auditShell } from './audit-shell';

export const auditFormats = ['json', 'csv', 'html', 'text'] as const;
export type AuditFormat = (typeof auditFormats)[number];

/** One package to audit: plain data, so that another thread can do it. */
export interface AuditOrder {
  readonly inputs: ShellInputs;
  readonly format: AuditFormat;
  /** Without it equal input gives equal bytes. */
  readonly timing: boolean;
}

/** What the line of a summary says of one package. */
export interface AuditLine {
  readonly code: string;
  readonly title: string;
  readonly items: number;
  readonly percent: number;
  readonly open: Readonly<Record<Urgency, number>>;
}
export type PackageAudit =
  | { readonly ok: true; readonly text: string; readonly report: AuditJson; readonly line: AuditLine }
  | { readonly ok: false; readonly trouble: string };

export type AuditProgress = (done: number, total: number, doing: string) => void;

/** Reads and audits one package, and spells the report. With the bundle of `pageWorker` a second thread helps to read. */
export async function auditPackage(
  { inputs, format, timing }: AuditOrder,
  pageWorker: string | null = null,
  onProgress?: AuditProgress,
): Promise<PackageAudit> {
  const rules = loadHouseRules(inputs.houseRules);
  if (!rules.ok) return { ok: false, trouble: rules.trouble.message };
  const begun = performance.now();
  const reading = await readShell(
    { ...inputs, houseTerms: rules.value.terms },
    { pageWorker, onProgress: (done, total) => onProgress?.(done, total, 'Reading the package') },
  );
  if (!reading.ok) return { ok: false, trouble: reading.trouble.message };
  const { shell, intake, archive } = reading.value;
  archive.close();
  const read = performance.now();
  const audit = auditShell(shell, rules.value, (done, total, check) =>
    onProgress?.(done, total, check.title),
  );
  const done = performance.now();
  const round = (ms: number) => Math.round(ms * 10) / 10;
  const report = auditJson(
    shell,
    intake,
    audit,
    timing ? { readMs: round(read - begun), auditMs: round(done - read) } : undefined,
  );
  const spell: Record<AuditFormat, () => string> = {
    json: () => `${JSON.stringify(report, null, 2)}\n`,
    csv: () => auditCsv(audit),
    html: () => reportHtml({ shell, intake, audit }),
    text: () => auditText(shell, intake, audit),
  };
  const shown = audit.findings.filter((f) => f.coveredBy === null);
  return {
    ok: true,
    text: spell[format](),
    report,
    line: {
      code: shell.code,
      title: shell.title,
      items: audit.counts.items,
      percent: smoothnessOf(audit.counts, audit.findings).percent,
      open: Object.fromEntries(
        urgencies.map((u) => [u, shown.filter((f) => f.urgency === u).length]),
      ) as Record<Urgency, number>,
    },
  };
}
