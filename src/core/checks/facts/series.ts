import { elementAt } from '@/core/sure';
import type { Item } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { numberLabel, ownLabels, type NumberLabel } from '@/core/text/number-label';

/** Siblings of one sort (modules, headings, items) that one word numbers, in the order in which they stand. */
export interface Series {
  readonly parent: ItemRef | null;
  readonly label: string;
  readonly members: readonly SeriesMember[];
}
export interface SeriesMember {
  readonly item: Item;
  readonly label: NumberLabel;
}

/** What numbers a series, written as a name: “Week”, “Number”. */
export const nameOfSeries = ({ label }: Series): string =>
  label === '#' ? 'Number' : label.charAt(0).toUpperCase() + label.slice(1);

/** Every series of two or more siblings, outer ones first. */
export function findSeries(outline: Outline): Series[] {
  const found: Series[] = [];
  const shellLabels = ownLabels([...outline.byRef.values()].map((item) => item.title));
  const visit = (parent: ItemRef | null) => {
    const byLabel = new Map<string, SeriesMember[]>();
    for (const item of outline.children(parent)) {
      const label = numberLabel(item.title, shellLabels);
      if (!label) continue;
      // Modules count among modules: a page “Week 2 quiz” behind them belongs to another series.
      const key = `${item.kind === 'module' || item.kind === 'heading' ? item.kind : 'item'} ${label.label}`;
      const members = byLabel.get(key);
      if (members) members.push({ item, label });
      else byLabel.set(key, [{ item, label }]);
    }
    for (const members of byLabel.values())
      if (members.length > 1) found.push({ parent, label: elementAt(members, 0).label.label, members });
    for (const child of outline.children(parent)) visit(child.ref);
  };
  visit(null);
  return found;
}
