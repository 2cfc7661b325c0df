import { elementAt } from '@/core/sure';
import {
  itemKinds,
  type Group,
  type HomePage,
  type Item,
  type ItemKind,
  type QuestionBank,
  type Shell,
  type ShellFile,
} from '@/core/shell/model';
import { collect } from '@/core/collect';
import { groupRef, itemRef } from '@/core/refs/refs';
import type { IntakeNote } from '@/core/shell/result';
import { titleKey } from '@/core/text/normalise';
import type { LocalDateTime } from '@/core/dates/local-date';
import { readIsoMoment } from '@/core/dates/zones';
import type { StatusColumn } from './columns';
import type { StatusRow, StatusSheet } from './read-status-sheet';

/** Brings what a status sheet tells into a shell. Refs that nothing has, and titles that several have, are reported. */
export function applyStatusSheet(
  shell: Shell,
  sheet: StatusSheet,
  name: string,
): { readonly shell: Shell; readonly notes: readonly IntakeNote[] } {
  const applied = new StatusApplier(shell, name);
  for (const row of sheet.rows) applied.row(row);
  return applied.result();
}

type Target =
  | { readonly type: 'item'; readonly at: number }
  | { readonly type: 'file'; readonly at: number }
  | { readonly type: 'none' };
/** “other” is what a package is not understood to be; no sheet can ask for it. */
const settableKinds: ReadonlySet<string> = new Set(itemKinds.filter((kind) => kind !== 'other'));

/** Columns that say something of items alone. */
const itemColumns = [
  'visible',
  'opens',
  'closes',
  'due',
  'points',
  'grade_category',
  'grade_column',
  'has_student_work',
  'requires',
  'group',
  'in_use',
] as const satisfies readonly StatusColumn[];

class StatusApplier {
  readonly notes: IntakeNote[] = [];
  readonly items: Item[];
  readonly files: ShellFile[];
  readonly homePages: HomePage[];
  readonly banks: QuestionBank[];
  readonly groups: Group[];
  /** The row that told of a thing first. */
  readonly toldIn = new Map<string, number>();
  readonly groupRefs: Set<string>;
  readonly bankRefs: Set<string>;
  readonly itemAt = new Map<string, number>();
  readonly fileAt = new Map<string, number>();
  /** Where the only file of a resource is. */
  readonly fileOfContent = new Map<string, number>();
  readonly otherRefs: ReadonlySet<string>;
  readonly itemTitles = new Map<string, number[]>();
  readonly fileTitles = new Map<string, number[]>();

  constructor(
    readonly shell: Shell,
    readonly name: string,
  ) {
    this.items = [...shell.items];
    this.files = [...shell.files];
    this.homePages = [...shell.homePages];
    this.banks = [...shell.banks];
    this.groups = [...shell.groups];
    this.groupRefs = new Set(shell.groups.map((g) => g.ref));
    this.bankRefs = new Set(shell.banks.map((b) => b.ref));
    this.items.forEach((item, at) => {
      this.itemAt.set(item.ref, at);
      collect(this.itemTitles, titleKey(item.title), at);
    });
    // A resource may be named by its own identifier, as long as it stands in one place.
    this.items.forEach((item, at) => {
      if (item.content && !this.itemAt.has(item.content)) this.itemAt.set(item.content, at);
      if (item.content && !this.itemAt.has(`resource:${item.content}`))
        this.itemAt.set(`resource:${item.content}`, at);
    });
    const filesOf = new Map<string, number[]>();
    this.files.forEach((file, at) => {
      this.fileAt.set(file.path, at);
      collect(filesOf, file.content, at);
      collect(this.fileTitles, titleKey(file.path.slice(file.path.lastIndexOf('/') + 1)), at);
    });
    // So may a file that is the only one of its resource.
    for (const [resource, [at, ...more]] of filesOf) {
      if (at === undefined || more.length > 0) continue;
      this.fileOfContent.set(resource, at);
      for (const ref of [resource, `resource:${resource}`])
        if (!this.itemAt.has(ref) && !this.fileAt.has(ref)) this.fileAt.set(ref, at);
    }
    this.otherRefs = new Set<string>([
      ...shell.events.map((e) => e.ref),
      ...shell.banks.map((b) => b.ref),
      ...shell.contents.map((c) => c.id),
      ...shell.gradeColumns.map((c) => c.ref),
      ...shell.gradeCategories.map((c) => c.ref),
    ]);
  }

  note(code: string, message: string, row: StatusRow): void {
    this.notes.push({ code, message, where: `${this.name}, row ${row.row}` });
  }

  /** Two rows about one thing are read one on top of the other, and told. */
  noteAgain(target: Target, row: StatusRow): void {
    if (target.type === 'none') return;
    const key = `${target.type} ${target.at}`;
    const first = this.toldIn.get(key);
    if (first === undefined) this.toldIn.set(key, row.row);
    else
      this.note(
        'row-twice',
        `is about what row ${first} is about; what it says is taken on top of that`,
        row,
      );
  }

  row(row: StatusRow): void {
    const kind = row.cells.kind?.toLowerCase().replace(/[\s_]+/g, '-') as
      ItemKind | 'group' | 'bank' | undefined;
    const target = this.find(row, kind);
    this.noteAgain(target, row);
    switch (target.type) {
      case 'item':
        this.items[target.at] = this.changeItem(elementAt(this.items, target.at), row, kind);
        return;
      case 'file':
        this.files[target.at] = this.changeFile(elementAt(this.files, target.at), row);
        return;
      case 'none':
        return;
    }
  }

  find(row: StatusRow, kind: string | undefined): Target {
    const { ref, title } = row.cells;
    if (ref !== undefined) {
      const item = this.itemAt.get(ref);
      if (item !== undefined) return { type: 'item', at: item };
      const file = this.fileAt.get(ref);
      if (file !== undefined) return { type: 'file', at: file };
      if (kind === 'group') this.declareGroup(ref, title ?? ref);
      else if (kind === 'bank' && !this.bankRefs.has(ref)) this.declareBank(ref, title ?? ref);
      else if (!this.otherRefs.has(ref) && !this.otherRefs.has(ref.replace(/^resource:/, '')))
        this.note('unknown-ref', `nothing in the package is called “${ref}”; the row is left out`, row);
      return { type: 'none' };
    }
    if (title === undefined) return { type: 'none' };
    const inItems = this.itemTitles.get(titleKey(title)) ?? [];
    const inFiles = inItems.length ? [] : (this.fileTitles.get(titleKey(title)) ?? []);
    const hits = [...inItems, ...inFiles];
    if (hits.length > 1)
      this.note(
        'ambiguous-title',
        `${hits.length} things are called “${title}”; give the ref, the row is left out`,
        row,
      );
    else if (hits.length === 0)
      this.note('unknown-title', `nothing in the package is called “${title}”; the row is left out`, row);
    else return { type: inItems.length ? 'item' : 'file', at: elementAt(hits, 0) };
    return { type: 'none' };
  }

  /** A group that the package declares already is told of again, and is one all the same. */
  declareGroup(ref: string, title: string): void {
    if (this.groupRefs.has(ref)) return;
    this.groupRefs.add(ref);
    this.groups.push({ ref: groupRef(ref), title });
  }

  declareBank(ref: string, title: string): void {
    this.bankRefs.add(ref);
    this.banks.push({ ref: itemRef(ref), title, content: null });
  }

  changeItem(item: Item, row: StatusRow, kind: ItemKind | 'group' | 'bank' | undefined): Item {
    const { cells } = row;
    let next = item;
    const set = (change: Partial<Item>) => (next = { ...next, ...change });
    if (kind !== undefined) next = this.changeKind(next, kind, row);
    const shown = this.flag(row, 'visible', ['yes', 'true', '1', 'shown'], ['no', 'false', '0', 'hidden']);
    if (shown !== null) set({ shown });
    for (const [column, means] of [
      ['opens', 'start'],
      ['closes', 'end'],
      ['due', 'end'],
      ['created', 'start'],
      ['modified', 'start'],
    ] as const) {
      const when = this.moment(row, column, means);
      if (when) set({ [column]: when });
    }
    const points = this.count(row, 'points');
    if (points !== null) set({ points });
    const work = this.count(row, 'has_student_work');
    if (work !== null) set({ studentWork: work });
    if (cells.grade_category) set({ gradeCategory: cells.grade_category });
    if (cells.grade_column) set({ gradeColumn: cells.grade_column });
    if (cells.import_batch) set({ batch: cells.import_batch });
    if (cells.requires) set({ requires: cells.requires.split(/\s+/).map((r) => itemRef(this.canonical(r))) });
    if (cells.group) set({ groups: cells.group.split(/\s+/).map(groupRef) });
    const inUse = this.flag(row, 'in_use', ['yes', 'true', '1'], ['no', 'false', '0']);
    const home = this.homePages.findIndex((h) => h.ref === next.ref);
    if (inUse !== null && home >= 0) this.homePages[home] = { ...elementAt(this.homePages, home), inUse };
    this.changeReadersOf(next, row);
    return next;
  }

  /** The readers of a file may stand in the row of the item that shows it; nothing else has any. */
  changeReadersOf(item: Item, row: StatusRow): void {
    if (row.cells.readable_by === undefined) return;
    const at = item.content === null ? undefined : this.fileOfContent.get(item.content);
    if (at === undefined) {
      this.note(
        'cell-left-out',
        `readable_by is about files, and “${item.title}” is not one; the cell is left out`,
        row,
      );
      return;
    }
    const file = elementAt(this.files, at);
    this.files[at] = { ...file, readableBy: this.readers(row) ?? file.readableBy };
  }

  canonical(ref: string): string {
    const at = this.itemAt.get(ref);
    return at === undefined ? ref : elementAt(this.items, at).ref;
  }

  changeKind(item: Item, kind: ItemKind | 'group' | 'bank', row: StatusRow): Item {
    if (kind === 'home-page') {
      if (!this.homePages.some((h) => h.ref === item.ref))
        this.homePages.push({ ref: item.ref, title: item.title, inUse: null });
      return item.placed ? item : { ...item, kind: 'home-page' };
    }
    if (kind === item.kind) return item;
    if (kind === 'announcement') return { ...item, kind };
    if (
      (kind === 'heading' || kind === 'module') &&
      item.content === null &&
      (item.kind === 'heading' || item.kind === 'module')
    )
      return { ...item, kind };
    const known = settableKinds.has(kind);
    if (!known) this.note('unknown-kind', `“${kind}” is no kind of item; the cell is left out`, row);
    else
      this.note(
        'kind-differs',
        `“${item.title}” is called ${kind} and is ${item.kind} in the package; the package’s word is kept`,
        row,
      );
    return item;
  }

  changeFile(file: ShellFile, row: StatusRow): ShellFile {
    const meaningless = itemColumns.filter((column) => row.cells[column] !== undefined);
    if (meaningless.length > 0)
      this.note(
        'cell-left-out',
        `“${file.path}” is a file and no item, so what the row says of ${meaningless.join(', ')} is left out`,
        row,
      );
    return {
      ...file,
      readableBy: this.readers(row) ?? file.readableBy,
      created: this.moment(row, 'created', 'start') ?? file.created,
      modified: this.moment(row, 'modified', 'start') ?? file.modified,
      batch: row.cells.import_batch ?? file.batch,
    };
  }

  readers(row: StatusRow): ShellFile['readableBy'] {
    const value = row.cells.readable_by?.toLowerCase();
    if (value === undefined || value === 'all' || value === 'staff') return value ?? null;
    this.note(
      'unknown-value',
      `“${value}” in readable_by is neither all nor staff; the cell is left out`,
      row,
    );
    return null;
  }

  flag(row: StatusRow, column: StatusColumn, yes: readonly string[], no: readonly string[]): boolean | null {
    const value = row.cells[column]?.toLowerCase();
    if (value === undefined) return null;
    if (yes.includes(value)) return true;
    if (no.includes(value)) return false;
    this.note(
      'unknown-value',
      `“${value}” in ${column} is neither ${yes[0]} nor ${no[0]}; the cell is left out`,
      row,
    );
    return null;
  }

  moment(row: StatusRow, column: StatusColumn, means: 'start' | 'end'): LocalDateTime | null {
    const value = row.cells[column];
    if (value === undefined) return null;
    const when = readIsoMoment(value, this.shell.timeZone, means);
    if (!when)
      this.note(
        'unknown-value',
        `“${value}” in ${column} is no date; write it as 2027-01-31 or 2027-01-31T17:00; the cell is left out`,
        row,
      );
    return when;
  }

  count(row: StatusRow, column: StatusColumn): number | null {
    const value = row.cells[column];
    if (value === undefined) return null;
    const n = Number(value.replace(',', '.'));
    if (Number.isFinite(n) && n >= 0) return n;
    this.note('unknown-value', `“${value}” in ${column} is no number; the cell is left out`, row);
    return null;
  }

  result() {
    const { items, files, homePages, banks, groups, notes } = this;
    return { shell: { ...this.shell, items, files, homePages, banks, groups }, notes };
  }
}
