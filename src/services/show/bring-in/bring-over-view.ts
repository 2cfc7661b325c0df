import { outlineLine, type OutlineLine } from '@/core/add/outline-after';
import { sourceTermOf } from '@/core/add/redate-taken';
import type { OldTerm } from '@/core/redate/redate';
import type { Sha256 } from '@/core/refs/refs';
import type { Term } from '@/core/shell/model';
import { loadBareShell } from '@/store/state/keep-shell';
import { bareSource } from '@/services/do/add/bare-source';
import { previewView, type PreviewView } from '@/services/do/add/preview-view';
import { sourcesFor, type SourceShell } from './sources';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** A source beside the shell that it comes into: both outlines, and what each thing of the source is to the shell. */
export interface BringOverView extends PreviewView {
  readonly shellId: string;
  readonly code: string;
  readonly sourceCode: string;
  /** The source’s term: told, or worked out from its dates. */
  readonly sourceTerm: OldTerm & { readonly title: string };
  readonly term: Term;
  readonly sourceLines: readonly OutlineLine[];
  readonly lines: readonly OutlineLine[];
  /** The other shells of the list: the source can go into them, too. */
  readonly others: readonly SourceShell[];
}

export function bringOverView(folder: OpenFolder, current: CurrentShell): BringOverView | null {
  const preview = previewView(folder, current);
  const source = bareSource(folder, current);
  if (preview === null || source === null) return null;
  const shell = loadBareShell(folder.blobs, current.version.stateBlob as Sha256);
  return {
    ...preview,
    shellId: current.row.id,
    code: current.row.code,
    sourceCode: source.code,
    sourceTerm: { ...sourceTermOf(shell, source), title: source.term.title },
    term: shell.term,
    sourceLines: source.items.map(outlineLine),
    lines: shell.items.map(outlineLine),
    others: sourcesFor(folder, current).filter(({ isOnHost }) => !isOnHost),
  };
}
