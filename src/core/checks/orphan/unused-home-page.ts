import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import { defineCheck, missing } from '@/core/checks/check/check';

export const unusedHomePage = defineCheck({
  id: 'orphan.unused-home-page',
  title: 'Home pages not in use',
  urgency: 'tidy',
  remedyKind: 'safe',
  needs: [],
  options: z.object({}),
  messages: { page: 'The home page “{title}” is not in use' },
  things: ['home page not in use', 'home pages not in use'],
  page: {
    means: 'The shell has a home page that is not the one in use.',
    why: 'Every copy brings one more. Sooner or later somebody turns on the wrong one.',
    example: '“Welcome, Autumn 2025” is still there beside this term’s.',
    remedy: 'Deletes the home page that nobody sees.',
    notWhen: 'Nobody told which one is in use.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.homePages.length, missing('nobody told of home pages: give a status sheet')],
      [!shell.homePages.some((h) => h.inUse !== null), missing('nobody told which home page is in use')],
    ),
  *find({ shell }) {
    const used = shell.homePages.filter((h) => h.inUse === true);
    for (const home of shell.homePages) {
      if (home.inUse !== false) continue;
      yield {
        message: { id: 'page', params: { title: home.title } },
        subjects: [{ type: 'homePage', ref: home.ref }],
        evidence: [
          {
            label: 'In use',
            value: used.length ? used.map((h) => h.title).join(', ') : 'none',
            where: home.ref,
          },
        ],
        remedy: { action: 'delete', targets: [home.ref], params: {}, kind: 'safe' },
      };
    }
  },
});
