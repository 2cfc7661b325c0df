import { auditReport, type AuditReportInput } from './audit-report';
import { drawPage } from './model/draw-page';

export type ReportInput = AuditReportInput;

/** The audit report as one self-contained page. */
export const reportHtml = (input: ReportInput): string => drawPage(auditReport(input));
