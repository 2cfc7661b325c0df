import { z } from 'zod';
import { contentOfNode } from '@/core/links/graph';
import { namesAnswers } from '@/core/text/answer-name';
import { defineCheck, missing } from '@/core/checks/check/check';
import { hiddenAround, whyClosed } from '@/core/checks/facts/open-doors';

export const hiddenTarget = defineCheck({
  id: 'visibility.hidden-target',
  title: 'Links to what students cannot open',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['outline', 'openDoors', 'staffStores', 'whole'],
  options: z.object({}),
  messages: { link: '“{from}” links to “{to}”, which students cannot open' },
  things: ['link to something students cannot open', 'links to something students cannot open'],
  counts: 'findings',
  page: {
    means:
      'An item that students see links to one that they cannot open, since it or something around it is hidden.',
    why: 'They click, get an error, and write to you.',
    example: 'Week 3 says “see the rating curve”, and the rating curve is hidden.',
    remedy: 'Shows what the link leads to. Otherwise take the link out.',
    notWhen: 'The target stands in a second place that is open, or outside the outline.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.shown !== null || i.staffOnly)
      ? null
      : missing('nobody told what is hidden: give a status sheet'),
  *find({ facts, rules }) {
    const doors = facts.openDoors;
    const files = new Map(facts.whole.files.map((f) => [f.path as string, f.content as string]));
    const seen = new Set<string>();
    const { holds } = facts.staffStores;
    for (const { from, edge } of doors.links) {
      if (holds(from)) continue;
      const path = edge.to.startsWith('file:') ? edge.to.slice(5) : '';
      const content = contentOfNode(edge.to) ?? files.get(path) ?? null;
      if (content === null || content === from.content) continue;
      const places = doors.placesOf(content).filter((i) => i.placed);
      const target = places[0];
      if (!target || places.some(doors.isOpen)) continue;
      // A picture that some hidden item shows as well is seen all the same where a page shows it.
      if (edge.to.startsWith('file:') && edge.attribute !== 'href') continue;
      const key = `${from.ref} ${target.ref}`;
      if (seen.has(key)) continue;
      seen.add(key);
      // Answers are hidden on purpose: here the link is wrong, not the switch.
      const answers = namesAnswers(target.title, rules.keyMarks);
      const isStaff = holds(target);
      const closed = answers || isStaff ? [] : hiddenAround(target, facts.outline);
      yield {
        message: { id: 'link', params: { from: from.title, to: target.title } },
        subjects: [
          { type: 'item', ref: from.ref },
          ...(isStaff ? [] : [{ type: 'item', ref: target.ref } as const]),
        ],
        evidence: [
          {
            label: 'Links from',
            value: [...facts.outline.path(from), from.title].join(' › '),
            where: from.ref,
          },
          {
            label: 'Leads to',
            value: [...facts.outline.path(target), target.title].join(' › '),
            where: target.ref,
          },
          { label: 'Students cannot open it', value: whyClosed(target, facts.outline) },
          ...(answers
            ? [
                {
                  label: 'Its name',
                  value: 'says that it holds answers, so showing it is not proposed; take the link out',
                },
              ]
            : []),
        ],
        remedy: closed.length
          ? { action: 'show', targets: closed.map((i) => i.ref), params: {}, kind: 'judgement' }
          : null,
      };
    }
  },
});
