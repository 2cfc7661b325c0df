import { append } from '@/core/collect';
import { courseCodes, otherCourses, ownCode } from '@/core/text/course-codes';
import { english } from '@/core/text/english';
import { namedTerms, shortTerms } from '@/core/text/named-terms';
import { ownTerm } from '@/core/time/academic-term';
import type { Shell } from '@/core/shell/model';

/** A sign in the package's own title that it belongs to another course or term. */
export interface IdentityDoubt {
  readonly what: 'term' | 'code';
  /** As the package's title says it. */
  readonly says: string;
  /** What the shell is. */
  readonly is: string;
}
type Named = Pick<Shell, 'code' | 'title' | 'term' | 'frame'> & Partial<Pick<Shell, 'schoolYear'>>;

/** Compares the titles and the code with the shell's own code and term. Nothing known, nothing doubted. */
export function identityDoubts(shell: Named): IdentityDoubt[] {
  const doubts: IdentityDoubt[] = termDoubts(shell).map(({ says, is }) => ({ what: 'term', says, is }));
  for (const title of [shell.frame.title, shell.title]) append(doubts, otherCodes(title, shell.code));
  return doubts.filter((d, i) => doubts.findIndex((e) => e.what === d.what && e.says === d.says) === i);
}

export interface TermDoubt {
  readonly where: 'title' | 'code' | 'package title';
  readonly text: string;
  readonly says: string;
  readonly is: string;
}

/** Academic terms that the shell's title or code, or the title inside its package, names and that are not its own. */
export function termDoubts(shell: Named): TermDoubt[] {
  const { term } = shell;
  if (!term.title && !term.start) return [];
  const ownMeaning = ownTerm({ term, schoolYear: shell.schoolYear ?? null });
  const is = term.title || `${term.start} to ${term.end ?? 'an unknown day'}`;
  const places = [
    { where: 'package title', text: shell.frame.title },
    { where: 'title', text: shell.title },
    { where: 'code', text: shell.code.replace(/[-_.]+/g, ' ') },
  ] as const;
  return places.flatMap(({ where, text }) =>
    [
      ...namedTerms(text, english),
      ...(ownMeaning.year === null ? [] : shortTerms(text, english, ownMeaning.year)),
    ]
      .filter((n) => ownMeaning.isOther(n.means))
      .map((n) => ({ where, text, says: n.says, is })),
  );
}

/** Codes of other courses in a title, where the shell has a code that they can be told from. */
function otherCodes(title: string, code: string): IdentityDoubt[] {
  const shellCode = ownCode(code);
  return shellCode
    ? otherCourses(courseCodes(title), shellCode).map(({ start, end }) => ({
        what: 'code',
        says: title.slice(start, end),
        is: code,
      }))
    : [];
}
