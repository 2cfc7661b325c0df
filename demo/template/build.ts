import { elementAt } from '@/core/sure';
import { shellRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';

const sheet = (title: string, text: string) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head><meta charset="utf-8"><title>${title}</title></head>\n<body>\n<h1>${title}</h1>\n${text}\n</body>\n</html>\n`;

/** What Tarn Hollow College puts into every shell by itself, written by hand: title and text. */
export const statements: readonly (readonly [string, string])[] = [
  [
    'Honest work',
    '<p>What you hand in under your name is yours. Say whose data, whose map and whose words you used; nobody has ever lost marks for saying it. If you are unsure where help ends, ask before you hand in, not after.</p>',
  ],
  [
    'If something is in your way',
    '<p>The access office finds a way round stairs, small print and fast speech. Write to it in the first two weeks, so that rooms and papers can still be changed; later works, too, only slower.</p>',
  ],
  [
    'Where to get help',
    '<p>The desk on the ground floor of the library is open until eight. It knows the machines, the forms and the people. For worries that are not about a course there is the blue door beside it.</p>',
  ],
];

export const statementPage = (i: number): string =>
  sheet(elementAt(statements, i)[0], elementAt(statements, i)[1]);

/** The baseline shell of Tarn Hollow College: the statements, and nothing else. */
export function buildTemplate(): ShellComposer {
  const c = new ShellComposer({
    ref: shellRef('tarn-hollow-template'),
    title: 'Tarn Hollow College template',
  });
  const about = c.module('About every course', { ref: 'about' });
  statements.forEach(([title], i) =>
    c.page(title, statementPage(i), {
      ref: `about-${i + 1}`,
      parent: about,
      path: `about/statement-${i + 1}.html`,
    }),
  );
  return c;
}
