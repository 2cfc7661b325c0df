import { z } from 'zod';
import { contentNode } from '@/core/links/graph';
import { defineCheck, missing } from '@/core/checks/check/check';

export const unreadableFile = defineCheck({
  id: 'visibility.unreadable-file',
  title: 'Files that students cannot read',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['links', 'openDoors', 'staffStores'],
  options: z.object({}),
  messages: { file: '“{name}” is readable by staff only, and {users} need it' },
  things: ['file students cannot read', 'files students cannot read'],
  page: {
    means: 'A file that only staff can read is linked from, shown in or placed as an item that students see.',
    why: 'You see the picture, students see a grey box; nobody notices until somebody writes.',
    example: 'A copy set the folder “data” to staff only, and six labs link into it.',
    remedy: 'Lets students read the file.',
    notWhen: 'Only hidden items use it, or who can read it is not known.',
  },
  notApplicable: (shell) =>
    shell.files.some((f) => f.readableBy !== null)
      ? null
      : missing('nobody told who can read the files: give a status sheet'),
  *find({ shell, facts }) {
    const staff = new Map(
      shell.files.filter((f) => f.readableBy === 'staff').map((f) => [`file:${f.path}`, f]),
    );
    if (!staff.size) return;
    const doors = facts.openDoors;
    const users = new Map<string, Map<string, string>>();
    const note = (node: string, ref: string, title: string) => {
      const map = users.get(node) ?? new Map<string, string>();
      users.set(node, map);
      map.set(ref, title);
    };
    const { holds } = facts.staffStores;
    for (const { from, edge } of doors.links)
      if (staff.has(edge.to) && !holds(from)) note(edge.to, from.ref, from.title);
    for (const [node, file] of staff)
      for (const place of doors.placesOf(file.content))
        if (doors.isOpen(place) && !holds(place)) note(node, place.ref, place.title);
    // A style sheet's own pictures are needed by every page that uses the sheet.
    for (const item of shell.items) {
      if (!item.content || !doors.isOpen(item)) continue;
      for (const sheet of facts.links.outgoing.get(contentNode(item.content)) ?? [])
        if (sheet.to.endsWith('.css'))
          for (const edge of facts.links.outgoing.get(sheet.to) ?? [])
            if (staff.has(edge.to)) note(edge.to, item.ref, item.title);
    }
    for (const [node, file] of staff) {
      const by = users.get(node);
      if (!by) continue;
      const titles = [...by.values()];
      yield {
        message: {
          id: 'file',
          params: {
            name: file.path,
            users: titles.length === 1 ? `“${titles[0]}”` : `${titles.length} items`,
          },
        },
        subjects: [{ type: 'file', ref: file.path }],
        evidence: [
          { label: 'Readable by', value: 'staff', where: file.path },
          ...[...by].slice(0, 12).map(([ref, title]) => ({ label: 'Needed by', value: title, where: ref })),
        ],
        remedy: {
          action: 'file-access',
          targets: [file.path],
          params: { readers: 'all' },
          kind: 'judgement',
        },
      };
    }
  },
});
