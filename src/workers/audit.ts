import { auditPackage, type AuditOrder } from '@/services/do/packages/audit-package';

/** A worker thread that audits packages, one after the other. */
const audit = (order: AuditOrder) => auditPackage(order);
export default audit;
