import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';
import { hostOf, isHostOf } from './hosts';

export const formerTool = defineCheck({
  id: 'outdated.former-tool',
  title: 'Tools no longer in use',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: [],
  options: z.object({}),
  messages: { tool: '“{title}” opens {host}, which is none of the current tools' },
  things: ['link to a former tool', 'links to a former tool'],
  page: {
    means: 'A tool link leads to a host that is not among the current tools of the house rules.',
    why: 'The contract ended; students get an error, or a page that asks for money.',
    example: '“Proctored test” still opens the service of two years ago.',
    remedy: 'Deletes the link. If the tool has a successor, relink it instead.',
    notWhen: 'The house rules name no current tools.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.kind === 'tool-link') ? null : 'there are no tool links',
  *find({ shell, rules }) {
    if (!rules.currentTools.length) return;
    const targets = new Map(shell.contents.map((c) => [c.id, c.target]));
    for (const item of shell.items) {
      if (item.kind !== 'tool-link' || !item.content) continue;
      const host = hostOf(targets.get(item.content) ?? '');
      if (!host || rules.currentTools.some((tool) => isHostOf(host, tool))) continue;
      yield {
        message: { id: 'tool', params: { title: item.title, host } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          { label: 'Opens', value: targets.get(item.content) ?? '', where: item.ref },
          { label: 'Current tools', value: rules.currentTools.join(', ') },
        ],
        remedy: { action: 'delete', targets: [item.ref], params: {}, kind: 'judgement' },
        batch: host,
      };
    }
  },
});
