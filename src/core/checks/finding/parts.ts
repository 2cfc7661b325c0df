import type { ListedFinding } from './finding';

/**
 * Of some findings, those that are wholly explained by a larger one among them. Where the larger one is not among
 * them, since it was left be, say, what it covered stands for itself.
 */
export function partsOf<F extends Pick<ListedFinding, 'id' | 'coveredBy'>>(
  findings: readonly F[],
): ReadonlySet<F> {
  const here = new Set(findings.map((finding) => finding.id));
  return new Set(findings.filter(({ coveredBy }) => coveredBy !== null && here.has(coveredBy)));
}
