import { elementAt, firstWhere } from '@/core/sure';
import { z } from 'zod';
import { targetNodes } from '@/core/links/graph';
import type { Item, ItemKind } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { defineCheck } from '@/core/checks/check/check';
import { chooseKeeper, itemCandidate } from '@/core/checks/check/keeper';
import { keepOne } from '@/core/checks/check/remedies';

const withBody = new Set<ItemKind>(['page', 'assignment', 'quiz', 'discussion', 'announcement']);

export const sameContent = defineCheck({
  id: 'duplicate.same-content',
  title: 'Same content',
  urgency: 'look-at',
  remedyKind: 'safe',
  needs: ['outline', 'contentKeys', 'links', 'repeats'],
  options: z.object({
    shortText: z.int().min(0).default(5).describe('Below this many words the titles must be equal, too'),
  }),
  messages: {
    two: '“{title}” says the same as “{kept}”',
    many: '“{kept}” stands {count} times with the same content',
  },
  things: ['item says what another says', 'items say what another says'],
  page: {
    means:
      'Two or more pages, assignments, quizzes, discussions or announcements have the same text, the same link targets and the same points.',
    why: 'Students work with one, you correct the other. Later changes reach only one of them.',
    example: '“Reading the staff gauge” stands in Week 3 and again under Left over, word for word.',
    remedy:
      'Deletes all but one; links to the others lead to the one that stays. The evidence says why that one stays.',
    notWhen:
      'Both are empty, one resource is placed twice, or the text is under five words and the titles differ.',
  },
  notApplicable: (shell) => (shell.items.some((i) => withBody.has(i.kind)) ? null : 'no item has a body'),
  *find({ shell, facts, options }) {
    const groups = new Map<string, Item[]>();
    for (const item of shell.items) {
      if (!withBody.has(item.kind)) continue;
      const key = facts.contentKeys.of(item);
      if (key === null) continue;
      const short = facts.contentKeys.words(item) < options.shortText;
      const full = short ? `${key} ${titleKey(item.title)}` : key;
      const list = groups.get(full);
      if (list) list.push(item);
      else groups.set(full, [item]);
    }
    for (const group of groups.values()) {
      const contents = new Set(group.map((i) => i.content));
      if (contents.size < 2) continue;
      const peers = new Set(group.flatMap((i) => targetNodes(shell, i.content)));
      // Where an import came twice, the copy that stays decides: two checks must not keep opposite ones.
      const staying = group.filter((i) => !facts.repeats.counterpart.has(i.ref));
      const candidates = staying.length ? staying : group;
      const choice =
        candidates.length === 1 && group.length > 1
          ? { keep: elementAt(candidates, 0).ref, rule: 'the others stand in the import that came again' }
          : chooseKeeper(candidates.map((i) => itemCandidate(shell, facts.outline, facts.links, i, peers)));
      const kept = firstWhere(group, (i) => i.ref === choice.keep);
      // Further places of the kept resource are no copies of it.
      const others = group.filter((i) => i.content !== kept.content);
      const subjects = group.filter((i) => i === kept || others.includes(i));
      const params = { title: elementAt(others, 0).title, kept: kept.title, count: subjects.length };
      yield {
        message: subjects.length === 2 ? { id: 'two', params } : { id: 'many', params },
        subjects: subjects.map((i) => ({ type: 'item', ref: i.ref })),
        keep: kept.ref,
        evidence: [
          { label: 'Why this one stays', value: choice.rule, where: kept.ref },
          { label: 'Words in each', value: String(facts.contentKeys.words(kept)) },
          ...subjects.map((i) => ({
            label: i === kept ? 'Stays' : 'Goes',
            value: [...(i.placed ? facts.outline.path(i) : ['Outside the outline']), i.title].join(' › '),
            where: i.ref,
          })),
        ],
        remedy: keepOne(
          kept.ref,
          others.map((i) => i.ref),
          'safe',
        ),
      };
    }
  },
});
