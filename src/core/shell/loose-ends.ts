import type { IntakeNote } from './result';
import type { Content, Shell } from './model';
import type { ContentId } from '@/core/refs/refs';

/** What a shell names and does not have, and resources that need themselves: told on reading, since nothing can be done with it. */
export function looseEnds(shell: Shell): IntakeNote[] {
  return [...missingGroups(shell), ...missingColumns(shell), ...missingBanks(shell), ...circles(shell)];
}

function missingGroups({ items, groups }: Shell): IntakeNote[] {
  const known = new Set(groups.map((g) => g.ref));
  return items.flatMap((item) =>
    item.groups
      .filter((group) => !known.has(group))
      .map((group) => ({
        code: 'missing-group',
        message: `“${item.title}” is for the group ${group}, which is declared nowhere`,
        where: item.ref,
      })),
  );
}

/** Grade columns and categories are only missed where some are known. */
function missingColumns({ items, gradeColumns, gradeCategories }: Shell): IntakeNote[] {
  const columns = new Set<string>(gradeColumns.map((c) => c.ref));
  const categories = new Set<string>(gradeCategories.flatMap((c) => [c.ref, c.title]));
  const notes: IntakeNote[] = [];
  for (const { ref, title, gradeColumn, gradeCategory } of items) {
    if (gradeColumn !== null && columns.size && !columns.has(gradeColumn))
      notes.push({
        code: 'missing-grade-column',
        message: `“${title}” names the grade column ${gradeColumn}, which is not there`,
        where: ref,
      });
    if (gradeCategory !== null && categories.size && !categories.has(gradeCategory))
      notes.push({
        code: 'missing-grade-category',
        message: `“${title}” names the grade category ${gradeCategory}, which is not there`,
        where: ref,
      });
  }
  return notes;
}

function missingBanks({ contents }: Shell): IntakeNote[] {
  const idents = new Set(contents.map((c) => c.bankIdent).filter((ident) => ident !== null));
  return contents.flatMap((content) =>
    content.bankRefs
      .filter((ident) => !idents.has(ident))
      .map((ident) => ({
        code: 'missing-bank',
        message: `“${content.title || content.id}” draws on the question bank ${ident}, which is not there`,
        where: content.id,
      })),
  );
}

/** Resources that depend on themselves, each circle told once where it closes: a walk along the dependencies, near linear. */
function circles({ contents }: Shell): IntakeNote[] {
  const byId = new Map<ContentId, Content>(contents.map((c) => [c.id, c]));
  const done = new Set<ContentId>();
  const notes: IntakeNote[] = [];
  for (const start of contents) {
    if (done.has(start.id) || !start.dependencies.length) continue;
    const open: { readonly content: Content; next: number }[] = [{ content: start, next: 0 }];
    const within = new Set<ContentId>([start.id]);
    for (let step = open.at(-1); step; step = open.at(-1)) {
      const to = step.content.dependencies[step.next];
      step.next += 1;
      if (to === undefined) {
        open.pop();
        within.delete(step.content.id);
        done.add(step.content.id);
      } else if (within.has(to)) notes.push(circleNote(step.content.id, to));
      else if (!done.has(to)) {
        const content = byId.get(to);
        if (!content) continue;
        within.add(to);
        open.push({ content, next: 0 });
      }
    }
  }
  return notes;
}

const circleNote = (from: ContentId, to: ContentId): IntakeNote => ({
  code: 'circular-resources',
  message:
    from === to
      ? 'depends on itself; that changes nothing'
      : `depends on ${to}, which depends on it in turn; all of them count as used together`,
  where: from,
});
