import { addJob } from '@/services/do/add/add-job';
import { holdAgainstJob } from '@/services/do/add/hold-against-job';
import { bringInJob } from '@/services/do/bring-in/bring-in-job';
import { carryOutJob } from '@/services/do/carry-out/carry-out-job';
import { hostRunJob } from '@/services/do/carry-out-on-host/host-run-job';
import { undoJob } from '@/services/do/carry-out/undo-job';
import { pullJob } from '@/services/do/hosts/pull-job';
import { combJob } from '@/services/do/comb/comb-job';
import { tryRulesJob } from '@/services/do/rules/try-rules-job';
import { probeJob } from '@/services/do/probe/probe-job';
import { compareJob } from '@/services/do/compare/compare-job';
import { exportJob } from '@/services/do/export/export-job';
import { workbookJob } from '@/services/do/export/workbook-job';
import { rehearseJob } from '@/services/do/rehearse/rehearse-job';
import { backupJob } from '@/services/do/storage/backup-job';
import { examineJob } from '@/services/do/storage/examine-job';
import { sweepJob } from '@/services/do/storage/sweep-job';
import type { JobKind } from '@/services/keep/jobs/job-inputs';
import type { JobRecord } from '@/services/keep/jobs/job-record';

/** Every kind of job, sorted. */
export const jobRecords = {
  add: addJob,
  backup: backupJob,
  'bring-in': bringInJob,
  'carry-out': carryOutJob,
  comb: combJob,
  compare: compareJob,
  examine: examineJob,
  export: exportJob,
  'hold-against': holdAgainstJob,
  'host-run': hostRunJob,
  probe: probeJob,
  pull: pullJob,
  rehearse: rehearseJob,
  sweep: sweepJob,
  'try-rules': tryRulesJob,
  undo: undoJob,
  workbook: workbookJob,
} as const;

type InputsOf<Records> = {
  readonly [Kind in keyof Records]: Records[Kind] extends JobRecord<string, infer Input, infer _>
    ? Input
    : never;
};
declare module '@/services/keep/jobs/job-inputs' {
  // What is ordered is held against what is registered.
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- all of it is in the type that it extends
  interface JobInputs extends InputsOf<typeof jobRecords> {}
}

/** A record as code that serves every kind sees it; inputs are held against their schema where they enter. */
export type AnyJob = JobRecord<JobKind, unknown, unknown>;
export function jobOf(kind: string): AnyJob | null {
  return Object.hasOwn(jobRecords, kind) ? (jobRecords[kind as JobKind] as unknown as AnyJob) : null;
}
