import { z } from 'zod';
import { plural } from '@/core/text/plural';
import { defineCheck, missing } from '@/core/checks/check/check';

export const noHomePage = defineCheck({
  id: 'readiness.no-home-page',
  title: 'No home page in use',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: [],
  options: z.object({}),
  messages: { none: 'None of the {pages} is in use' },
  things: ['shell without a home page', 'shells without a home page'],
  page: {
    means: 'The shell has home pages, and none of them is the one in use.',
    why: 'Students who open the shell meet a bare list, or whatever the campus system shows otherwise.',
    example: 'Two home pages came along with the copy, and both are put aside.',
    remedy: 'Choose the one that students shall see.',
    notWhen: 'One is in use, or nobody told which is.',
  },
  notApplicable: (shell) =>
    shell.homePages.some((h) => h.inUse !== null)
      ? null
      : missing('nobody told of home pages: give a status sheet'),
  *find({ shell }) {
    if (shell.homePages.some((h) => h.inUse !== false)) return;
    yield {
      message: { id: 'none', params: { pages: plural(shell.homePages.length, 'home page') } },
      subjects: [{ type: 'shell', ref: shell.ref }],
      evidence: shell.homePages.map((h) => ({ label: 'Not in use', value: h.title, where: h.ref })),
      remedy: null,
    };
  },
});
