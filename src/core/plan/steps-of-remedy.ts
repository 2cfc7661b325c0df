import type { Finding, Remedy } from '@/core/checks/finding';
import type { Shell } from '@/core/shell/model';
import { relink } from './actions/relink';
import type { Step } from './step';

/** The steps that take the remedies of findings: links first, then the change itself. Links that nobody has are left out. */
export function stepsOfFindings(shell: Shell, findings: readonly Finding[]): Step[] {
  const pairs = new Map<string, string>();
  for (const f of findings)
    for (const ref of f.remedy?.targets ?? [])
      if (f.remedy?.params.relink?.[ref]) pairs.set(ref, f.remedy.params.relink[ref]);
  const used = pairs.size ? relink(shell, pairs).used : new Map<string, unknown>();
  return findings.flatMap((f) => (f.remedy ? stepsOfRemedy(f.remedy, f.id, used) : []));
}

function stepsOfRemedy(remedy: Remedy, from: string, used: ReadonlyMap<string, unknown>): Step[] {
  const relinks = remedy.params.relink ?? {};
  const moved = remedy.targets.filter((ref) => relinks[ref] !== undefined && used.has(ref));
  const main: Step = {
    action: remedy.action,
    targets: remedy.targets,
    params: remedy.params,
    from,
  };
  if (!moved.length) return [main];
  const to = Object.fromEntries(moved.map((ref) => [ref, relinks[ref]!]));
  return [{ action: 'relink', targets: moved, params: { to }, from }, main];
}
