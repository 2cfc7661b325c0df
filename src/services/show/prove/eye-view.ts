import type { StudentsEye } from '@/core/students-eye/students-eye';
import type { LocalDate } from '@/core/dates/local-date';
import { recallEye } from '@/services/keep/findings/kept-eye';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** What the student’s eye shows. */
export interface EyeView {
  readonly id: string;
  readonly code: string;
  /** Whether the shell was combed as it stands: the comb looks for students, too. */
  readonly combed: boolean;
  readonly eye: StudentsEye | null;
  readonly term: { readonly start: LocalDate | null; readonly end: LocalDate | null };
  readonly asOf: LocalDate;
}

export function eyeView({ db }: OpenFolder, { row, audit }: CurrentShell): EyeView {
  return {
    id: row.id,
    code: row.code || row.title,
    combed: audit !== null,
    eye: audit && recallEye(db, audit.id),
    term: { start: row.termStart as LocalDate | null, end: row.termEnd as LocalDate | null },
    asOf: row.asOf as LocalDate,
  };
}
