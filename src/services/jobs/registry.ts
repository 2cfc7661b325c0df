import { addJob } from '../add/add-job';
import { holdAgainstJob } from '../add/hold-against-job';
import { bringInJob } from '../bring-in/bring-in-job';
import { carryOutJob } from '../carry-out/carry-out-job';
import { hostRunJob } from '../carry-out/host/host-run-job';
import { undoJob } from '../carry-out/undo-job';
import { pullJob } from '../hosts/pull-job';
import { combJob } from '../comb/comb-job';
import { tryRulesJob } from '../house-rules/try-rules-job';
import { probeJob } from '../probe/probe-job';
import { compareJob } from '../prove/compare/compare-job';
import { exportJob } from '../prove/export-job';
import { workbookJob } from '../prove/reports/workbook-job';
import { rehearseJob } from '../rehearse/rehearse-job';
import { backupJob } from '../storage/backup-job';
import { examineJob } from '../storage/examine-job';
import { sweepJob } from '../storage/sweep-job';
import type { JobKind } from './job-inputs';
import type { JobRecord } from './job-record';

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
declare module '@/services/jobs/job-inputs' {
  // What is ordered is held against what is registered.
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- all of it is in the type that it extends
  interface JobInputs extends InputsOf<typeof jobRecords> {}
}

/** A record as code that serves every kind sees it; inputs are held against their schema where they enter. */
export type AnyJob = JobRecord<JobKind, unknown, unknown>;
export function jobOf(kind: string): AnyJob | null {
  return Object.hasOwn(jobRecords, kind) ? (jobRecords[kind as JobKind] as unknown as AnyJob) : null;
}
