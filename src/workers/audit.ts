import { auditPackage } from '@/services/comb/audit-package';

/** A worker thread that audits packages, one after the other. */
export default auditPackage;
