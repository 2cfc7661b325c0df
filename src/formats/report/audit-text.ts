import { familyTitles, urgencies, urgencyTitles, type Finding } from '@/core/checks/finding/finding';
import type { Audit } from '@/core/checks/run/run-checks';
import type { Shell } from '@/core/shell/model';
import type { IntakeNote } from '@/core/shell/result';
import { writeCsv } from '@/formats/archive/write-csv';

/** An audit as plain text, most urgent first. */
export function auditText(shell: Shell, intake: readonly IntakeNote[], audit: Audit): string {
  const { counts } = audit;
  const lines = [
    `${shell.code ? `${shell.code}  ` : ''}${shell.title}`,
    `${counts.items} items, ${counts.files} files, ${counts.events} events; as of ${shell.asOf}`,
    '',
  ];
  for (const note of intake) lines.push(`  ${note.where ? `${note.where}: ` : ''}${note.message}`);
  if (intake.length) lines.push('');
  for (const urgency of urgencies) {
    const found = audit.findings.filter((f) => f.urgency === urgency);
    if (!found.length) continue;
    lines.push(`${urgencyTitles[urgency]}: ${found.length}`);
    for (const finding of found)
      lines.push(
        `  [${familyTitles[finding.family]}] ${finding.title}${finding.coveredBy ? ' (part of a larger finding)' : ''}`,
      );
    lines.push('');
  }
  for (const row of audit.checks) {
    if (row.outcome.state === 'not-applicable')
      lines.push(`Not applicable: ${row.check}, since ${row.outcome.reason}`);
    if (row.outcome.state === 'not-asked') lines.push(`Not asked yet: ${row.check}: ${row.outcome.reason}`);
    if (row.outcome.state === 'could-not-run')
      lines.push(`Could not run: ${row.check}: ${row.outcome.reason}`);
  }
  lines.push(audit.findings.length ? `${audit.findings.length} findings` : 'Nothing found');
  return `${lines.join('\n')}\n`;
}

/** An audit as CSV (RFC 4180), one row a finding. */
export function auditCsv(audit: Audit): string {
  const cells = (f: Finding) => [
    f.id,
    f.check,
    f.urgency,
    f.title,
    f.subjects.map((s) => s.ref).join(' '),
    f.subjects.map((s) => [...s.path, s.title].join(' › ')).join(' | '),
    f.keep ?? '',
    f.remedy?.action ?? '',
    f.remedy?.targets.join(' ') ?? '',
    f.remedy?.kind ?? '',
    f.coveredBy ?? '',
    f.evidence.map((e) => `${e.label}: ${e.value}`).join(' | '),
  ];
  const header = [
    'id',
    'check',
    'urgency',
    'title',
    'subjects',
    'where',
    'keep',
    'remedy',
    'targets',
    'kind',
    'covered_by',
    'evidence',
  ];
  return writeCsv([header, ...audit.findings.map(cells)]);
}
