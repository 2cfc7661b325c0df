import { largest, smallest } from '@/core/collect';
import type { DrawnFinding, Family, Urgency } from '@/core/checks/finding/finding';
import type { Sketch } from '@/core/shell/sketch';

/** One thing of the shell as the Coat draws it. */
export interface Bristle {
  readonly ref: string;
  readonly title: string;
  /** Place of its tuft among the groups; -1 in a band. */
  readonly group: number;
  readonly family: Family | null;
  readonly urgency: Urgency | null;
  readonly finding: string | null;
  readonly says: string;
}
export interface Band {
  readonly name: string;
  readonly bristles: readonly Bristle[];
}
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly label: string;
}
export interface CoatModel {
  readonly groups: readonly string[];
  readonly items: readonly Bristle[];
  readonly bands: readonly Band[];
  /** Doubled stretches of the outline, by place in `items`. */
  readonly stretches: readonly Stretch[];
  readonly standing: number;
}

const rank: Readonly<Record<Urgency, number>> = { 'fix-first': 3, 'look-at': 2, tidy: 1 };

/** A bristle for each thing: what carries a finding stands up, in the colour of its most urgent one. */
export function coatModel(sketch: Sketch, findings: readonly DrawnFinding[]): CoatModel {
  const worst = new Map<string, DrawnFinding>();
  for (const finding of findings)
    for (const subject of finding.subjects) {
      if (subject.ref === finding.keep || subject.type === 'shell') continue;
      const key = `${subject.type === 'item' || subject.type === 'file' || subject.type === 'event' ? subject.type : 'setup'} ${subject.ref}`;
      const known = worst.get(key);
      if (!known || rank[finding.urgency] > rank[known.urgency]) worst.set(key, finding);
    }
  const bristle = (type: string, ref: string, title: string, group: number): Bristle => {
    const finding = worst.get(`${type} ${ref}`);
    return {
      ref,
      title,
      group,
      family: finding?.family ?? null,
      urgency: finding?.urgency ?? null,
      finding: finding?.id ?? null,
      says: finding?.title ?? '',
    };
  };
  const items = sketch.items.map((i) => bristle('item', i.ref, i.title, i.group));
  const band = (name: string, type: string, things: Sketch['files']): Band => ({
    name,
    bristles: things.map((t) => bristle(type, t.ref, t.title, -1)),
  });
  const bands = [
    band('files', 'file', sketch.files),
    band('events', 'event', sketch.events),
    band('in grades', 'setup', sketch.setup),
  ];
  return {
    groups: sketch.groups,
    items,
    bands,
    stretches: doubled(sketch, findings),
    standing: [...items, ...bands.flatMap((b) => b.bristles)].filter((b) => b.family).length,
  };
}

function doubled(sketch: Sketch, findings: readonly DrawnFinding[]): Stretch[] {
  const place = new Map(sketch.items.map((i, at) => [i.ref, at]));
  return findings
    .filter((f) => f.check === 'duplicate.repeated-import' && f.coveredBy === null)
    .flatMap((f) => {
      const at = f.subjects.map((s) => place.get(s.ref)).filter((n) => n !== undefined);
      return at.length
        ? [{ from: smallest(at), to: largest(at), label: `again: ${f.subjects.length} items` }]
        : [];
    });
}
