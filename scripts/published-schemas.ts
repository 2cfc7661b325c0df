import { z } from 'zod';
import { houseRulesSchema } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { planSchema } from '@/core/plan/written-step';
import { auditSchema, auditsSchema } from '@/formats/report/audit-json';
import { compareSchema } from '@/formats/report/compare-report';
import { ledgerSchema } from '@/formats/report/ledger-files';
import { previewAddSchema } from '@/formats/report/preview-add';
import { reportSchema } from '@/formats/report/model/report';
import { redateSchema } from '@/formats/report/redate-report';
import { addReportSchema } from '@/formats/report/add-report';
import { resetSchema } from '@/formats/report/reset-report';
import { stateSchema } from '@/formats/state-file/state-schema';
import { cleanSchema } from '@/services/do/clean/clean-summary';

/** Everything that Currycomb writes or reads as JSON, by the name of its file in docs/schemas. */
export const publishedSchemas: Readonly<Record<string, z.ZodType>> = {
  audit: auditSchema,
  audits: auditsSchema,
  clean: cleanSchema,
  compare: compareSchema,
  ledger: ledgerSchema,
  plan: planSchema,
  'preview-add': previewAddSchema,
  redate: redateSchema,
  report: reportSchema,
  add: addReportSchema,
  reset: resetSchema,
  'shell-state': stateSchema,
  'house-rules': houseRulesSchema(allChecks),
};

/** JSON Schema (draft 2020-12) as it stands in docs/schemas. */
export const schemaText = (schema: z.ZodType): string =>
  `${JSON.stringify(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }), null, 2)}\n`;
