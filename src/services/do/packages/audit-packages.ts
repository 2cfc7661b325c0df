import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { auditPackage, type AuditOrder, type AuditProgress, type PackageAudit } from './audit-package';

/**
 * Audits several packages, on as many threads as asked for (all cores otherwise), and answers in the order in which
 * they were given. Without a worker's file, or for one package, it runs on this thread.
 */
export async function auditPackages(
  orders: readonly AuditOrder[],
  threads: {
    readonly workerFile: string | null;
    readonly pageWorker?: string | null;
    readonly count?: number;
  },
  onProgress?: AuditProgress,
): Promise<PackageAudit[]> {
  const count = Math.min(threads.count ?? availableParallelism(), orders.length);
  if (threads.workerFile === null || count < 2) {
    const pageWorker = threads.count === 1 ? null : (threads.pageWorker ?? null);
    const results: PackageAudit[] = [];
    for (const order of orders) results.push(await auditPackage(order, pageWorker, onProgress));
    return results;
  }
  const pool = new Piscina<AuditOrder, PackageAudit>({
    filename: threads.workerFile,
    minThreads: count,
    maxThreads: count,
  });
  try {
    let done = 0;
    const audited = async (order: AuditOrder) => {
      const result = await pool.run(order);
      done += 1;
      onProgress?.(done, orders.length, `${done} of ${orders.length} packages`);
      return result;
    };
    return await Promise.all(orders.map(audited));
  } finally {
    await pool.destroy();
  }
}
