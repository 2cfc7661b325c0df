import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { contentNode, countLinksTo } from '@/core/links/graph';
import type { Item, ItemKind } from '@/core/shell/model';
import { defineCheck } from '@/core/checks/check/check';

const kinds: readonly ItemKind[] = ['assignment', 'quiz', 'discussion'];
const names: Readonly<Partial<Record<ItemKind, string>>> = {
  assignment: 'assignments',
  quiz: 'quizzes',
  discussion: 'discussions',
};

export const unplacedActivity = defineCheck({
  id: 'orphan.unplaced-activity',
  title: 'Activities that stand nowhere',
  urgency: 'tidy',
  remedyKind: 'judgement',
  needs: ['links'],
  options: z.object({}),
  messages: {
    one: '“{title}” stands in no module, and nothing links to it',
    all: '{count} {kind} stand in no module: this shell places none of that kind',
  },
  things: ['activity that stands nowhere', 'activities that stand nowhere'],
  question: 'Are these activities still wanted?',
  page: {
    means:
      'An assignment, quiz or discussion stands outside the outline, and nothing links to it. Where the shell places none of that kind, all of them are one finding.',
    why: 'Students find it only by chance, in a list of everything. Often it is last term’s.',
    example: '“Midterm, old version” lies among the quizzes and in no week.',
    remedy: 'Places it at the end of the outline, from where you move it. If it is not wanted, delete it.',
    notWhen: 'An item links to it, or it stands in the outline.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => kinds.includes(i.kind)) ? null : 'there is no assignment, quiz or discussion',
  *find({ shell, facts }) {
    for (const kind of kinds) {
      const all = shell.items.filter((i) => i.kind === kind);
      const loose = all.filter(
        (i) => !i.placed && i.content !== null && countLinksTo(facts.links, contentNode(i.content)) === 0,
      );
      if (!loose.length) continue;
      const placesNone = !all.some((i) => i.placed);
      if (placesNone && loose.length > 1) {
        yield {
          message: { id: 'all', params: { count: loose.length, kind: names[kind] ?? kind } },
          subjects: loose.map((i) => ({ type: 'item', ref: i.ref })),
          evidence: [
            { label: 'In the outline', value: `no ${names[kind]}`, where: elementAt(loose, 0).ref },
            ...loose.slice(0, 20).map((i) => ({ label: 'Outside', value: i.title, where: i.ref })),
          ],
          remedy: place(loose),
          batch: kind,
        };
        continue;
      }
      for (const item of loose)
        yield {
          message: { id: 'one', params: { title: item.title } },
          subjects: [{ type: 'item', ref: item.ref }],
          evidence: [
            { label: 'Linked from', value: 'nowhere', where: item.ref },
            {
              label: `Other ${names[kind]}`,
              value: placesNone
                ? 'none in the outline'
                : `${all.filter((i) => i.placed).length} in the outline`,
            },
          ],
          remedy: place([item]),
        };
    }
  },
});

const place = (items: readonly Item[]) => ({
  action: 'place' as const,
  targets: items.map((i) => i.ref),
  params: { places: Object.fromEntries(items.map((i) => [i.ref, null])) },
  kind: 'judgement' as const,
});
