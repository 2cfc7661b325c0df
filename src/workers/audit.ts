import { auditPackage, type AuditOrder } from '@/services/comb/audit-package';

/** A worker thread that audits packages, one after the other. */
export default (order: AuditOrder) => auditPackage(order);
