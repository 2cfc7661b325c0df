import { fingerprint } from '@/core/refs/digest';
import type { Shell } from '@/core/shell/model';
import type { Facts } from '@/core/checks/facts/facts';
import type { CheckId, SubjectRef } from '@/core/checks/finding/finding';

/** What the subjects of a finding say, so that a decision is found again after a copy gave them other refs. */
export type SubstanceOf = (check: CheckId, subjects: readonly SubjectRef[]) => string;

/** Substances of the findings of one shell. A page of many findings of one check is worked out once. */
export function substancesIn(shell: Shell, facts: Facts): SubstanceOf {
  const hashes = new Map(shell.files.map((file) => [file.path as string, file.sha256 as string]));
  const titles = new Map(shell.events.map((event) => [event.ref as string, event.title]));
  const known = new Map<string, string>();

  function said(subject: SubjectRef): string {
    if (subject.type === 'item') {
      const item = facts.outline.byRef.get(subject.ref as never);
      if (item) return facts.contentKeys.substance(item);
    }
    if (subject.type === 'file') return hashes.get(subject.ref) ?? subject.ref;
    if (subject.type === 'event') return titles.get(subject.ref) ?? subject.ref;
    return `${subject.type} ${subject.ref}`;
  }

  return (check, subjects) => {
    const about = JSON.stringify([check, ...subjects.map(({ type, ref }) => `${type} ${ref}`)]);
    const worked = known.get(about) ?? fingerprint(check, ...subjects.map(said).sort());
    known.set(about, worked);
    return worked;
  };
}
