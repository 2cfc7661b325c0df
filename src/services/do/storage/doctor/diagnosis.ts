/** What may be wrong with a data folder. */
export type DiagnosisCode =
  | 'folder-missing'
  | 'database-missing'
  | 'database-damaged'
  | 'database-foreign'
  | 'job-strange'
  | 'rows-astray'
  | 'row-unreadable'
  | 'blobs-damaged'
  | 'blob-damaged'
  | 'blob-missing'
  | 'blob-unused'
  | 'job-stuck'
  | 'run-stuck'
  | 'file-left'
  | 'memo-damaged';

/** One thing that is wrong with a data folder, as one sentence. */
export interface Diagnosis {
  readonly code: DiagnosisCode;
  readonly sentence: string;
  /** What mending does about it without losing anything; null where only a backup or the person can. */
  readonly mending: string | null;
}

export interface Examination {
  readonly folder: string;
  /** How many shells, versions and blobs were looked at. */
  readonly shells: number;
  readonly versions: number;
  readonly blobs: number;
  readonly diagnoses: readonly Diagnosis[];
}
