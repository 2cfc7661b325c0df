import type { ChangeKind } from '@/core/two-shells/change';

/** What is looked at: one kind of change of one other shell. */
export interface Looked {
  readonly shell: string;
  readonly kind: ChangeKind;
}
