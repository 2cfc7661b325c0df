import { collect } from '@/core/collect';
import { textOfContent } from '@/core/links/scans';
import type { Content, QuestionBank, Shell } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { incomingKey } from './incoming';
import { heldAgainst, isDoubled, isNew, type Held, type Verdict } from './verdict';

interface Named {
  readonly ref: string;
  readonly title: string;
}

/** Things of one kind of setup, here and in the source, and how two of one name are told apart. */
interface SetupKind<T extends Named> {
  readonly type: 'gradeCategory' | 'gradeColumn' | 'bank';
  readonly here: readonly T[];
  readonly source: readonly T[];
  readonly differences: (here: T, there: T) => string[];
  /** Equal for two of the source that are the same. */
  readonly sameKey: (one: T) => string;
}

/** Holds grade categories, grade columns and question banks against those that are here, by their names. */
export function heldSetup(shell: Shell, source: Shell): Held[] {
  const [ourText, theirText] = [bankText(shell), bankText(source)];
  return [
    ...heldOf({
      type: 'gradeCategory',
      here: shell.gradeCategories,
      source: source.gradeCategories,
      differences: (here, there) => numberDifference(here.weight, there.weight, 'weight'),
      sameKey: ({ title }) => titleKey(title),
    }),
    ...heldOf({
      type: 'gradeColumn',
      here: shell.gradeColumns,
      source: source.gradeColumns,
      differences: (here, there) => numberDifference(here.points, there.points, 'points'),
      sameKey: ({ title, category, points }) => JSON.stringify([titleKey(title), category, points]),
    }),
    ...heldOf({
      type: 'bank',
      here: shell.banks,
      source: source.banks,
      differences: (here, there) => (ourText(here) === theirText(there) ? [] : ['its questions differ']),
      sameKey: (bank) => JSON.stringify([titleKey(bank.title), theirText(bank)]),
    }),
  ];
}

function bankText(shell: Shell): (bank: QuestionBank) => string {
  const contents = new Map<string, Content>(shell.contents.map((content) => [content.id, content]));
  return ({ content }) => textOfContent(contents.get(content ?? ''));
}

function heldOf<T extends Named>(kind: SetupKind<T>): Held[] {
  const used = new Set<T>();
  const seen = new Set<string>();
  const byTitle = new Map<string, T[]>();
  for (const one of kind.here) collect(byTitle, titleKey(one.title), one);
  const verdictOn = (one: T): Verdict => {
    const key = kind.sameKey(one);
    const isLater = seen.has(key);
    seen.add(key);
    const namesakes = byTitle.get(titleKey(one.title)) ?? [];
    const equal = namesakes.filter((other) => kind.differences(other, one).length === 0);
    const counterpart = [...equal, ...namesakes].find((other) => !used.has(other)) ?? equal[0];
    if (!counterpart) return isLater ? isDoubled : isNew;
    used.add(counterpart);
    return heldAgainst(counterpart, kind.differences(counterpart, one));
  };
  return kind.source.map((one) => ({
    key: incomingKey(kind.type, one.ref),
    type: kind.type,
    ref: one.ref,
    kind: kind.type,
    title: one.title,
    parent: null,
    ...verdictOn(one),
  }));
}

const numberDifference = (here: number | null, there: number | null, what: string): string[] =>
  here === there || there === null || here === null ? [] : [`${what} ${there} instead of ${here}`];
