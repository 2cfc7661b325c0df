import { checkById } from '@/core/checks/registry';
import { familyTitles, families, urgencyTitles, type Finding } from '@/core/checks/finding';
import type { Audit } from '@/core/checks/run-checks';
import { smoothnessOf } from '@/core/checks/smoothness';
import type { StepResult } from '@/core/plan/results';
import type { Shell } from '@/core/shell/model';
import type { IntakeNote } from '@/core/shell/result';
import { spellDate } from '@/core/time/local-date';

export interface ReportInput {
  readonly shell: Shell;
  readonly intake: readonly IntakeNote[];
  readonly audit: Audit;
  /** Where the report is about a cleaning: the audit before it and what was done. */
  readonly before?: Audit;
  readonly results?: readonly StepResult[];
}

const escape = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** The audit report: one self-contained HTML page that prints well; it loads nothing and runs nothing. */
export function reportHtml(input: ReportInput): string {
  const { shell, audit } = input;
  const now = smoothnessOf(audit.counts, audit.findings);
  const was = input.before ? smoothnessOf(input.before.counts, input.before.findings) : null;
  const title = `${shell.code || shell.title}: what Currycomb found`;
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>${escape(title)}</title><style>${style}</style></head><body>
<h1>${escape(shell.code)} ${escape(shell.title)}</h1>
<p>${escape(termLine(shell))}</p>
<p class="big">${was ? `${was.percent} % smooth before, ` : ''}${now.percent} % smooth${was ? ' now' : ''}: ${now.smooth} of ${now.total} things have no open finding.</p>
${input.results ? doneSection(input.results) : ''}
${countsSection(audit, input.before)}
${families.map((family) => familySection(family, audit.findings)).join('\n')}
${stateSection(audit)}
${intakeSection(input.intake)}
</body></html>
`;
}

function termLine(shell: Shell): string {
  const { start, end, title } = shell.term;
  const days = start && end ? `${spellDate(start)} to ${spellDate(end)}` : 'term dates not known';
  return `${title ? `${title}, ` : ''}${days}. As of ${spellDate(shell.asOf)}.`;
}

function doneSection(results: readonly StepResult[]): string {
  const rows = results.map(
    (r) =>
      `<tr><td>${escape(r.step.action)}</td><td>${escape(r.titles.slice(0, 12).join(', '))}${r.titles.length > 12 ? ` and ${r.titles.length - 12} more` : ''}</td><td>${r.titles.length}</td><td>${escape(r.outcome)}${r.reason ? `: ${escape(r.reason)}` : ''}</td></tr>`,
  );
  return `<h2>What was done</h2><table><thead><tr><th>Step</th><th>On</th><th>Count</th><th>Outcome</th></tr></thead><tbody>${rows.join('')}</tbody></table>`;
}

function countsSection(audit: Audit, before: Audit | undefined): string {
  const count = (a: Audit, family: string) => a.findings.filter((f) => f.family === family).length;
  const rows = families.map(
    (f) =>
      `<tr><td>${familyTitles[f]}</td>${before ? `<td>${count(before, f)}</td>` : ''}<td>${count(audit, f)}</td></tr>`,
  );
  return `<h2>Findings by family</h2><table><thead><tr><th>Family</th>${before ? '<th>Before</th>' : ''}<th>${before ? 'Now' : 'Open'}</th></tr></thead><tbody>${rows.join('')}</tbody></table>`;
}

function familySection(family: Finding['family'], findings: readonly Finding[]): string {
  const own = findings.filter((f) => f.family === family);
  if (!own.length) return '';
  const rows = own.map(
    (f) =>
      `<tr><td>${urgencyTitles[f.urgency]}</td><td><strong>${escape(f.title)}</strong><br><small>${escape(checkById(f.check)?.title ?? f.check)}${f.coveredBy ? ', part of a larger finding' : ''}</small></td><td>${f.evidence
        .slice(0, 5)
        .map((e) => `${escape(e.label)}: ${escape(e.value)}`)
        .join('<br>')}</td></tr>`,
  );
  return `<h2>${familyTitles[family]}</h2><table><thead><tr><th>Urgency</th><th>Finding</th><th>Evidence</th></tr></thead><tbody>${rows.join('')}</tbody></table>`;
}

function stateSection(audit: Audit): string {
  const rows = audit.checks.flatMap((row) => {
    if (row.outcome.state === 'not-applicable')
      return [`<li>${escape(row.check)}: not applicable, since ${escape(row.outcome.reason)}</li>`];
    if (row.outcome.state === 'could-not-run')
      return [`<li>${escape(row.check)}: could not run: ${escape(row.outcome.reason)}</li>`];
    if (row.outcome.state === 'nothing-found') return [`<li>${escape(row.check)}: nothing found</li>`];
    return [];
  });
  return rows.length ? `<h2>Other checks</h2><ul>${rows.join('')}</ul>` : '';
}

function intakeSection(intake: readonly IntakeNote[]): string {
  if (!intake.length) return '';
  return `<h2>Intake report</h2><ul>${intake.map((n) => `<li>${n.where ? `<code>${escape(n.where)}</code>: ` : ''}${escape(n.message)}</li>`).join('')}</ul>`;
}

const style = `body{font:15px/1.5 "Atkinson Hyperlegible Next",system-ui,sans-serif;color:#221b14;background:#fffdf8;max-width:64rem;margin:2rem auto;padding:0 1rem}
h1,h2{font-family:Fraunces,Georgia,serif;line-height:1.2}h2{margin-top:2rem;break-after:avoid}.big{font-size:1.2rem}
table{border-collapse:collapse;width:100%;font-variant-numeric:tabular-nums}th,td{text-align:left;vertical-align:top;padding:.35rem .6rem;border-bottom:1px solid #ded3c1}
tr{break-inside:avoid}small,code{color:#6a5e50}@media print{body{margin:0;max-width:none;font-size:11px}}`;
