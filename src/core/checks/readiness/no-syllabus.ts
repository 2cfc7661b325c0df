import { z } from 'zod';
import { english } from '@/core/text/english';
import { defineCheck } from '@/core/checks/check/check';

export const noSyllabus = defineCheck({
  id: 'readiness.no-syllabus',
  title: 'No syllabus',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: [],
  options: z.object({}),
  messages: { none: 'There is no syllabus: no item or file is named so or marked so' },
  things: ['shell without a syllabus', 'shells without a syllabus'],
  page: {
    means:
      'No item, file or home page is named syllabus, course outline or course handbook, and no resource is marked with that use.',
    why: 'It is the first thing that students look for, and often the institution asks for it.',
    example: 'The syllabus was in the former system’s own place, which no package carries.',
    remedy: 'Put it into the outline. If it stands under another name, leave this be.',
    notWhen: 'The shell is empty.',
  },
  notApplicable: (shell) => (shell.items.length ? null : 'the shell is empty'),
  *find({ shell }) {
    const named = (text: string) => english.syllabus.test(text.replace(/[_\-.]+/g, ' '));
    if (
      shell.contents.some((c) => c.intendedUse === 'syllabus') ||
      shell.items.some((i) => named(i.title)) ||
      shell.files.some((f) => named(f.path)) ||
      shell.homePages.some((h) => named(h.title))
    )
      return;
    yield {
      message: { id: 'none', params: {} },
      subjects: [{ type: 'shell', ref: shell.ref }],
      evidence: [
        {
          label: 'Looked at',
          value: `${shell.items.length} items and ${shell.files.length} files, by name and by intended use`,
          where: shell.ref,
        },
      ],
      remedy: null,
    };
  },
});
