import { elementAt, valueFor } from '@/core/sure';
import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import {
  numberLabel,
  ownLabels,
  sameNumber,
  type NumberLabel,
  type OwnLabels,
} from '@/core/text/number-label';
import { defineCheck } from '@/core/checks/check/check';

export const misfiled = defineCheck({
  id: 'structure.misfiled',
  title: 'In the wrong module',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['outline', 'repeats'],
  options: z.object({}),
  messages: { item: '“{title}” stands in “{here}” and names “{there}”' },
  things: ['item in the wrong module', 'items in the wrong module'],
  page: {
    means: 'An item’s own number names another module of the series than the one that it stands in.',
    why: 'Students look for it where it says it belongs, and do not find it.',
    example: '“Week 5 field sheet” stands in Week 4.',
    remedy: 'Moves it to the end of the module that it names.',
    notWhen: 'It names a range that takes in the module, or looks back or ahead, such as “Before Week 5”.',
  },
  notApplicable: () => null,
  *find({ shell, facts }) {
    const shellLabels = ownLabels(shell.items.map((item) => item.title));
    const modules = new Map<string, Item>();
    const labels = new Map<string, NumberLabel | null>();
    for (const item of shell.items) {
      if (item.kind !== 'module' || !item.placed) continue;
      const label = numberLabel(item.title, shellLabels);
      labels.set(item.ref, label);
      const key = label ? `${label.label} ${label.numbers.join('.')}` : '';
      if (label && !modules.has(key) && !facts.repeats.counterpart.has(item.ref)) modules.set(key, item);
    }
    for (const item of shell.items) {
      if (!item.placed || item.parent === null) continue;
      const itemLabel = labelOfItem(item.title, shellLabels);
      if (!itemLabel || itemLabel.numbers.length > 1) continue;
      const around = facts.outline
        .ancestors(item)
        .findLast((a) => labels.get(a.ref)?.label === itemLabel.label);
      const here = around ? valueFor(labels, around.ref) : null;
      const there = modules.get(`${itemLabel.label} ${itemLabel.numbers.join('.')}`);
      if (
        !around ||
        !here ||
        !there ||
        sameNumber(here, itemLabel) ||
        there.ref === item.ref ||
        inRange(item.title, itemLabel, here)
      )
        continue;
      if (facts.outline.ancestors(there).some((a) => a.ref === item.ref)) continue;
      yield {
        message: { id: 'item', params: { title: item.title, here: around.title, there: there.title } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          { label: 'Stands in', value: [...facts.outline.path(item)].join(' › '), where: item.ref },
          { label: 'Names', value: there.title, where: there.ref },
        ],
        remedy: {
          action: 'move',
          targets: [item.ref],
          params: { places: { [item.ref]: there.ref } },
          kind: 'judgement',
        },
      };
    }
  },
});

/** A number at the title's beginning, or set apart at its end: “Field sheet, week 4”, “Notes (Week 4)”. */
export function labelOfItem(title: string, shellLabels?: OwnLabels): NumberLabel | null {
  const first = numberLabel(title, shellLabels);
  if (first) return first.label === '#' ? null : first;
  const atEnd = /[,(–—-]\s{0,3}(\p{L}{1,40}\.?\s{0,3}#?\s{0,3}\d{1,3})\s{0,3}\)?\s{0,3}$/u.exec(title)?.[1];
  return atEnd === undefined ? null : numberLabel(atEnd, shellLabels);
}

/** “Weeks 3–5” is at home in each of them. */
function inRange(title: string, label: NumberLabel, here: NumberLabel): boolean {
  const rest = numberLabel(title) ? title.slice(label.end) : '';
  const to = /^\s*(?:[-–—/&+,]|to|and)\s*(?:\p{L}+\s*)?(\d{1,3})/u.exec(rest)?.[1];
  return (
    to !== undefined &&
    elementAt(here.numbers, 0) >= elementAt(label.numbers, 0) &&
    elementAt(here.numbers, 0) <= Number(to)
  );
}
