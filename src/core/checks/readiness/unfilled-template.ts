import { z } from 'zod';
import { titleKey } from '@/core/text/normalise';
import { defineCheck, missing } from '@/core/checks/check/check';
import { fitsPattern } from '@/core/text/title-pattern';

export const unfilledTemplate = defineCheck({
  id: 'readiness.unfilled-template',
  title: 'Template parts not filled in',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['contentKeys'],
  options: z.object({}),
  messages: { part: '“{title}” still stands as the template has it' },
  things: ['template part not filled in', 'template parts not filled in'],
  page: {
    means: 'A part that the house rules require is word for word as in the baseline.',
    why: 'Students read “Your instructor will add office hours here”.',
    example: '“Meet your instructor” came with the template and was never filled in.',
    remedy: 'Fill it in. It is required, so deleting it is never proposed.',
    notWhen: 'The house rules require no parts, or no baseline was given.',
  },
  notApplicable: (shell) => (shell.baseline ? null : missing('no baseline was given')),
  *find({ shell, facts, rules }) {
    const { baseline } = shell;
    if (!baseline) return;
    const template = new Map(baseline.items.map((i) => [`${i.kind} ${titleKey(i.title)}`, i]));
    for (const item of shell.items) {
      if (!fitsPattern(item.title, rules.requiredParts)) continue;
      const part = template.get(`${item.kind} ${titleKey(item.title)}`);
      if (!part || part.key === null || part.key !== facts.contentKeys.looseOf(item)) continue;
      yield {
        message: { id: 'part', params: { title: item.title } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [{ label: 'Equal to', value: `“${part.title}” of ${baseline.title}`, where: item.ref }],
        remedy: null,
      };
    }
  },
});
