import type { Shell } from './model';
import { outlineOf } from './outline';

/**
 * What is wrong with a shell as a value: two things of one ref, a module that is not there, a content that is not
 * there, an outline out of order. A shell that was read or changed by a step has none.
 */
export function troublesOf(shell: Shell): string[] {
  return [
    ...doubles(
      'item',
      shell.items.map((i) => i.ref),
    ),
    ...doubles(
      'content',
      shell.contents.map((c) => c.id),
    ),
    ...doubles(
      'path',
      [...shell.files, ...shell.entries].map((f) => f.path),
    ),
    ...doubles(
      'event',
      shell.events.map((e) => e.ref),
    ),
    ...doubles(
      'grade category',
      shell.gradeCategories.map((c) => c.ref),
    ),
    ...doubles(
      'grade column',
      shell.gradeColumns.map((c) => c.ref),
    ),
    ...doubles(
      'group',
      shell.groups.map((g) => g.ref),
    ),
    ...doubles(
      'bank',
      shell.banks.map((b) => b.ref),
    ),
    ...danglingRefs(shell),
    ...outlineTroubles(shell),
  ];
}

function doubles(what: string, refs: readonly string[]): string[] {
  const seen = new Set<string>();
  return refs.flatMap((ref) => {
    if (seen.has(ref)) return [`two of the ${what} ${ref}`];
    seen.add(ref);
    return [];
  });
}

function danglingRefs(shell: Shell): string[] {
  const contents = new Set(shell.contents.map((c) => c.id));
  const items = new Set(shell.items.map((i) => i.ref));
  const columns = new Set<string>(shell.gradeColumns.map((c) => c.ref));
  const categories = new Set(shell.gradeCategories.map((c) => c.ref));
  const troubles: string[] = [];
  const note = (is: boolean, trouble: string) => {
    if (is) troubles.push(trouble);
  };
  for (const item of shell.items) {
    note(
      item.content !== null && !contents.has(item.content),
      `${item.ref} shows a content that is not there`,
    );
    note(item.parent !== null && !items.has(item.parent), `${item.ref} stands in what is not there`);
    for (const ref of item.requires) note(!items.has(ref), `${item.ref} requires ${ref}, which is not there`);
    const column = item.gradeColumn;
    note(column !== null && !columns.has(column), `${item.ref} has a column that is not there`);
  }
  for (const content of shell.contents)
    for (const id of content.dependencies) note(!contents.has(id), `${content.id} depends on ${id}`);
  for (const file of shell.files) note(!contents.has(file.content), `${file.path} belongs to nothing`);
  for (const { ref, category } of shell.gradeColumns)
    note(category !== null && !categories.has(category), `${ref} is in a category that is not there`);
  for (const bank of shell.banks)
    note(bank.content !== null && !contents.has(bank.content), `${bank.ref} holds nothing`);
  return troubles;
}

/** The outline stands in outline order, every item right behind what it stands in; what is outside comes last. */
function outlineTroubles(shell: Shell): string[] {
  const outline = outlineOf(shell);
  const order: string[] = [];
  const visit = (ref: Parameters<typeof outline.children>[0]) => {
    for (const child of outline.children(ref)) {
      order.push(child.ref);
      visit(child.ref);
    }
  };
  visit(null);
  const placed = shell.items.filter((i) => i.placed).map((i) => i.ref as string);
  const lastPlaced = shell.items.findLastIndex((i) => i.placed);
  const troubles: string[] = [];
  if (order.join(' ') !== placed.join(' ')) troubles.push('the outline is out of order');
  if (lastPlaced >= placed.length) troubles.push('what is outside stands among the outline');
  for (const item of shell.items) {
    const parent = item.parent === null ? undefined : outline.byRef.get(item.parent);
    if (parent && parent.kind !== 'module') troubles.push(`${item.ref} stands in a ${parent.kind}`);
  }
  return troubles;
}
