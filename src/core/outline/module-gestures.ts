import { TeachingWeeks } from '@/core/redate/teaching-weeks';
import type { Shell } from '@/core/shell/model';
import { addDays, weekdays } from '@/core/dates/local-date';
import { modulesByNumber } from './place-by-number';
import { newRefs, noGesture, outermost, type Gesture, type OutlineShell } from './gesture';

/**
 * A new module where the first chosen item stands, and the chosen ones in it. It is made at the end and brought there,
 * since what is made comes before what is moved, in a plan as a whole.
 */
export function wrapInModule(shell: OutlineShell, refs: ReadonlySet<string>, title: string): Gesture {
  const items = outermost(shell, refs).filter((item) => item.placed);
  const [first] = items;
  const name = title.trim();
  if (!first || name === '') return noGesture;
  const [ref = ''] = newRefs(shell, 'module', 1);
  const into = first.parent;
  return [
    {
      action: 'add',
      targets: [ref],
      params: { kind: 'module', titles: { [ref]: name }, into, before: null },
    },
    { action: 'move', targets: [ref], params: { into, before: first.ref } },
    { action: 'move', targets: items.map((item) => item.ref), params: { into: ref, before: null } },
  ];
}

/** Merges the chosen modules into the first of them. */
export function mergeModules(shell: OutlineShell, refs: ReadonlySet<string>): Gesture {
  const [first, ...others] = outermost(shell, refs).filter((item) => item.kind === 'module' && item.placed);
  if (!first || others.length === 0) return noGesture;
  const targets = others.map((item) => item.ref);
  return [
    {
      action: 'merge',
      targets,
      params: { with: Object.fromEntries(targets.map((ref) => [ref, first.ref])) },
    },
  ];
}

/** A module for each teaching week of the term that has none yet, at the end of the outline. */
export function weekModules(
  shell: OutlineShell & Pick<Shell, 'term' | 'noClassDays'>,
  withDays: boolean,
): Gesture {
  const { start, end } = shell.term;
  if (start === null || end === null || end < start) return noGesture;
  const weeks = new TeachingWeeks({ start, end, noClass: new Set(shell.noClassDays) });
  const known = modulesByNumber(shell);
  const missing = Array.from({ length: weeks.count }, (_, k) => k + 1).filter((n) => !known.has(`week ${n}`));
  if (missing.length === 0) return noGesture;
  const refs = newRefs(shell, 'week', missing.length);
  const titles = Object.fromEntries(refs.map((ref, k) => [ref, `Week ${missing[k] ?? ''}`]));
  const step = { action: 'add', targets: refs, params: { kind: 'module', titles, into: null, before: null } };
  if (!withDays) return [step];
  return [step, ...refs.map((ref, k) => dayModules(ref, missing[k] ?? 0, weeks))];
}

/** Days on which classes are held. */
const dayNames = weekdays.slice(0, 5);

/** A module for each day with class of a week, inside the week’s own. */
function dayModules(week: string, n: number, weeks: TeachingWeeks) {
  const monday = weeks.mondays[n - 1];
  const days = dayNames.filter((_, k) => monday !== undefined && weeks.hasClass(addDays(monday, k)));
  const titles = Object.fromEntries(days.map((name) => [`${week}-${name.toLowerCase()}`, name]));
  return {
    action: 'add',
    targets: Object.keys(titles),
    params: { kind: 'module', titles, into: week, before: null },
  };
}

/** Repeats one item through the modules that count, one copy in each that has none of its title yet. */
export function repeatThroughTerm(shell: OutlineShell, ref: string): Gesture {
  const item = shell.items.find((one) => one.ref === ref);
  if (!item || item.kind === 'module') return noGesture;
  const modules = [...modulesByNumber(shell)].filter(
    ([key, module]) => key.startsWith('week ') && module.ref !== item.parent,
  );
  if (modules.length === 0) return noGesture;
  const refs = newRefs(shell, 'copy', modules.length);
  const titleFor = (key: string) => titleWithNumber(item.title, key.replace('week ', ''));
  return [
    {
      action: 'repeat',
      targets: refs,
      params: {
        item: ref,
        titles: Object.fromEntries(refs.map((copy, k) => [copy, titleFor(modules[k]?.[0] ?? '')])),
        places: Object.fromEntries(refs.map((copy, k) => [copy, modules[k]?.[1].ref ?? null])),
      },
    },
  ];
}

/** “Reading log 1” is “Reading log 3” in week 3; a title without a number gets one. */
function titleWithNumber(title: string, n: string): string {
  return /\d+/.test(title) ? title.replace(/\d+/, n) : `${title} ${n}`;
}
