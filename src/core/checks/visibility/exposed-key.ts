import { z } from 'zod';
import { contentNode, fileNode } from '@/core/links/graph';
import type { Item } from '@/core/shell/model';
import { namesAnswers } from '@/core/text/answer-name';
import { nameWords } from '@/core/text/name-words';
import { defineCheck } from '@/core/checks/check/check';

export const exposedKey = defineCheck({
  id: 'visibility.exposed-key',
  title: 'Answers that students can reach',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['whole', 'staffStores', 'outline', 'openDoors'],
  options: z.object({}),
  messages: {
    item: 'Students can open “{title}”, whose name says that it is not for them',
    file: 'Students can open the file “{title}”, whose name says that it is not for them',
    store: 'Students can see “{title}”, which the house rules name as a store of staff',
  },
  things: [
    'thing not meant for students that they can reach',
    'things not meant for students that they can reach',
  ],
  page: {
    means:
      'A name says answer key, marking guide or instructor only, says solutions or key as a label, or carries a short mark of the house rules, and students can reach it.',
    why: 'One student finds it, all have it, and the quiz is worth nothing.',
    example: '“Quiz 3 – Key” came along with the import and is shown.',
    remedy: 'Hides it; a file is made readable by staff only.',
    notWhen:
      'It or something around it is hidden, or no item that students see leads to it, over however many pages.',
  },
  notApplicable: (shell) => (shell.items.length || shell.files.length ? null : 'the shell is empty'),
  *find({ facts, rules }) {
    const shell = facts.whole;
    const doors = facts.openDoors;
    const isKey = (name: string) => namesAnswers(name, rules.keyMarks);
    const { holds } = facts.staffStores;
    const inStore = (item: Item) => facts.outline.ancestors(item).some(holds);
    const reached = doors.reached((item) => !inStore(item));
    /** The open item from which links lead to one outside the outline; null where none does. */
    const wayTo = ({ placed, content, shown, staffOnly }: Item): Item | null => {
      const isOutside = !placed && content !== null && shown !== false && !staffOnly;
      return isOutside ? (reached.get(contentNode(content)) ?? null) : null;
    };
    const flagged = new Set<string>();
    for (const item of shell.items) {
      const from = doors.isOpen(item) ? item : wayTo(item);
      if (from === null || inStore(item)) continue;
      const store = holds(item);
      if (!store && (!isKey(item.title) || facts.outline.ancestors(item).some((a) => flagged.has(a.ref))))
        continue;
      flagged.add(item.ref);
      yield {
        message: { id: store ? 'store' : 'item', params: { title: item.title } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          { label: 'Its name', value: item.title, where: item.ref },
          from === item
            ? { label: 'Students see it at', value: [...facts.outline.path(item), item.title].join(' › ') }
            : {
                label: 'Reached from',
                value: [...facts.outline.path(from), from.title].join(' › '),
                where: from.ref,
              },
        ],
        remedy: { action: 'hide', targets: [item.ref], params: {}, kind: 'judgement' },
      };
    }
    for (const file of shell.files) {
      if (file.readableBy === 'staff' || !isKey(nameWords(file.path))) continue;
      const places = doors.placesOf(file.content).filter((i) => doors.isOpen(i) && !inStore(i));
      const from = reached.get(fileNode(file.path)) ?? places[0];
      if (!from || flagged.has(from.ref) || facts.outline.ancestors(from).some((a) => flagged.has(a.ref)))
        continue;
      yield {
        message: { id: 'file', params: { title: file.path } },
        subjects: [{ type: 'file', ref: file.path }],
        evidence: [
          { label: 'Its name', value: file.path, where: file.path },
          {
            label: 'Reached from',
            value: [...facts.outline.path(from), from.title].join(' › '),
            where: from.ref,
          },
        ],
        remedy: {
          action: 'file-access',
          targets: [file.path],
          params: { readers: 'staff' },
          kind: 'judgement',
        },
      };
    }
  },
});
