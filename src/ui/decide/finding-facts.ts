import type { Batch } from '@/core/checks/run/batches';
import type { ListedFinding } from '@/core/checks/finding/finding';
import { wordFinder } from '@/core/text/has-words';
import type { ItemKind } from '@/core/shell/model';
import { kindNames } from '../bring-in/kind-names';
import type { Filter } from './filter';

/** What a finding is filtered and grouped by. */
export interface FindingFacts {
  readonly batch: Batch | null;
  readonly checkTitle: string;
  /** Titles of the modules at the top level that its things stand in; the first one leads. */
  readonly modules: readonly string[];
  /** Kinds of its things in words; the first one leads. */
  readonly kinds: readonly string[];
  /** All that its row says. */
  readonly words: string;
}
export type FactsOf = (finding: ListedFinding) => FindingFacts;

/** What stands in no module. */
export const topLevel = 'Top level';

const otherKinds: Readonly<Record<Exclude<ListedFinding['subjects'][number]['type'], 'item'>, string>> = {
  file: 'Files',
  event: 'Events',
  bank: 'Question banks',
  gradeCategory: 'Grade categories',
  gradeColumn: 'Grade columns',
  group: 'Groups',
  homePage: 'Home pages',
  shell: 'The shell itself',
};

/** So many things of a finding say where and what it is; a finding about hundreds says it by these. */
const mostAsked = 200;

/** Reads the facts of each finding once, and each of them only when it is asked for: thousands are listed by few. */
export function factsOfFindings(
  batches: readonly Batch[],
  kindOf: ReadonlyMap<string, ItemKind>,
  titleOf: (check: string) => string,
): FactsOf {
  const batchOf = new Map(batches.flatMap((batch) => batch.findings.map((id) => [id, batch] as const)));
  const known = new Map<ListedFinding, FindingFacts>();
  return (finding) => {
    const before = known.get(finding);
    if (before) return before;
    const facts = new ReadFacts(finding, batchOf.get(finding.id) ?? null, titleOf(finding.check), kindOf);
    known.set(finding, facts);
    return facts;
  };
}

class ReadFacts implements FindingFacts {
  private readModules: readonly string[] | null = null;
  private readKinds: readonly string[] | null = null;
  private readWords: string | null = null;

  constructor(
    private readonly finding: ListedFinding,
    readonly batch: Batch | null,
    readonly checkTitle: string,
    private readonly kindOf: ReadonlyMap<string, ItemKind>,
  ) {}

  private get subjects(): ListedFinding['subjects'] {
    return this.finding.subjects.slice(0, mostAsked);
  }
  get modules(): readonly string[] {
    this.readModules ??= distinct(this.subjects.map(({ path }) => path[0] ?? topLevel));
    return this.readModules;
  }
  get kinds(): readonly string[] {
    this.readKinds ??= distinct(
      this.subjects.map(({ type, ref }) =>
        type === 'item' ? kindNames[this.kindOf.get(ref) ?? 'other'][1] : otherKinds[type],
      ),
    );
    return this.readKinds;
  }
  get words(): string {
    const { title, proof } = this.finding;
    this.readWords ??= [title, this.checkTitle, proof, ...this.subjects.map(sayPlace)].join(' ');
    return this.readWords;
  }
}

const sayPlace = ({ path, title }: ListedFinding['subjects'][number]) => [...path, title].join(' ');
const distinct = (list: readonly string[]): readonly string[] => [...new Set(list)];

/** Whether a finding passes every part of a filter but the one about decisions. */
export function passes(finding: ListedFinding, facts: FindingFacts, filter: Filter): boolean {
  if (filter.family && finding.family !== filter.family) return false;
  if (filter.urgency && finding.urgency !== filter.urgency) return false;
  if (filter.batch && facts.batch?.id !== filter.batch) return false;
  if (filter.check && finding.check !== filter.check) return false;
  if (filter.module && !facts.modules.includes(filter.module)) return false;
  if (filter.kind && !facts.kinds.includes(filter.kind)) return false;
  return filter.find === '' || wordFinder(filter.find)(facts.words);
}
