import { z } from 'zod';
import { defineCheck, missing } from '@/core/checks/check/check';
import { plural } from '@/core/text/plural';

export const shadowed = defineCheck({
  id: 'visibility.shadowed',
  title: 'Shown inside something hidden',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['shadowed'],
  options: z.object({}),
  messages: {
    container: '{count} in “{title}” say that they are shown, and the module around them is hidden',
  },
  things: ['item shown inside something hidden', 'items shown inside something hidden'],
  page: {
    means: 'An item’s own switch shows it, and a module around it is hidden, so that students cannot see it.',
    why: 'In your list it looks open. Students never see it.',
    example: 'A quiz in the hidden module “Week 12” counts for the grade, and nobody can take it.',
    remedy: 'Shows the module. Where it is meant to be hidden, leave this be.',
    notWhen:
      'The module is a staff store of the house rules. Where nothing in it is graded or linked, the finding is part of the hidden module’s own.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.shown !== null || i.staffOnly)
      ? null
      : missing('nobody told what is hidden: give a status sheet'),
  *find({ facts }) {
    for (const { container, items, serious } of facts.shadowed) {
      if (container.shown !== false) continue;
      yield {
        message: { id: 'container', params: { count: plural(items.length, 'item'), title: container.title } },
        subjects: items.map((i) => ({ type: 'item', ref: i.ref })),
        evidence: [
          { label: 'Hidden', value: container.title, where: container.ref },
          ...serious.slice(0, 12).map((s) => ({
            label: s.graded ? 'Graded' : 'Linked from what students see',
            value: s.item.title,
            where: s.item.ref,
          })),
          ...(serious.length ? [] : [{ label: 'Graded or linked', value: 'none of them' }]),
        ],
        remedy: { action: 'show', targets: [container.ref], params: {}, kind: 'judgement' },
        batch: serious.length ? 'graded or linked' : '',
      };
    }
  },
});
