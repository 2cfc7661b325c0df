import type { Shell } from '@/core/shell/model';
import { namesAnswers } from '@/core/text/answer-name';
import type { LocalDate } from '@/core/time/local-date';
import { applyEdits, type Edit } from '../edits';
import type { RefIndex } from '../lookup';
import type { Step } from '../step';
import { changing, type ActionResult } from './action-result';
import { deleteQuestions } from './delete-questions';
import { moveItems } from './move-items';
import { liftOut, mergeModules, placeItems, sortItems } from './rearrange';
import { relinkAddresses, unlinkAddresses } from './rewrite-addresses';
import { endRecurrence, excludeOccurrences, reDateEvents } from './set-events';
import { setReaders } from './set-files';
import { mergeCategories, setCategories } from './set-grades';
import { dropRequirements, reDate, rename, setShown } from './set-items';

/** Is this a step that changes things where they stand, rather than one of the links or deletions that belong together? */
export const standsAlone = (step: Step): boolean =>
  step.action === 'delete'
    ? step.params.questions !== undefined
    : step.action !== 'relink' || step.params.addresses !== undefined;

/** What a target that did not change says for itself. */
export const nothingToDo: Readonly<Partial<Record<Step['action'], string>>> = {
  show: 'it is shown already',
  hide: 'it is hidden already',
  move: 'it already stands there',
  sort: 'they stand in this order already',
  rename: 'it is called so already',
  're-date': 'the dates are the same',
  'end-recurrence': 'it has no date after that day',
  'exclude-occurrence': 'it has no such date',
  'drop-requirement': 'it does not require that',
  'set-category': 'it is in that category already',
  'file-access': 'it is readable so already',
  delete: 'the questions are gone already',
};

/** Takes one step that stands alone. */
export function takeStep(shell: Shell, step: Step, refs: RefIndex): ActionResult {
  const { params } = step;
  const targets = new Set(step.targets);
  const known = new Set(step.targets.filter((t) => refs.typeOf(t) === 'item'));
  switch (step.action) {
    case 'show':
    case 'hide':
      return switchShown(shell, step, known);
    case 're-date': {
      const items = reDate(shell, params.dates ?? {});
      return changing([...items, ...reDateEvents(shell, params.dates ?? {})]);
    }
    case 'move':
      return params.places ? moveEach(shell, step) : moveTogether(shell, step);
    case 'place':
      return placeItems(shell, step.targets, params.places ?? {});
    case 'lift-out':
      return liftOut(shell, step.targets);
    case 'sort':
      return sortItems(shell, step.targets);
    case 'rename':
      return changing(rename(shell, params.titles ?? {}));
    case 'merge':
      return merge(shell, step, refs);
    case 'relink':
      return relinkAddresses(shell, targets, params.addresses ?? {});
    case 'unlink':
      return unlinkAddresses(shell, targets, new Set(params.drop ?? []));
    case 'end-recurrence':
      return changing(params.until ? endRecurrence(shell, targets, params.until as LocalDate) : []);
    case 'exclude-occurrence':
      return changing(excludeOccurrences(shell, params.occurrences ?? {}));
    case 'drop-requirement':
      return changing(dropRequirements(shell, params.requirements ?? {}));
    case 'set-category':
      return setCategories(shell, params.categories ?? {});
    case 'file-access':
      return changing(params.readers ? setReaders(shell, targets, params.readers) : []);
    case 'delete':
      return deleteQuestions(shell, targets, params.questions ?? []);
  }
}

/** Turns switches; what its name says to be answers is never shown by a plan. */
function switchShown(shell: Shell, step: Step, known: ReadonlySet<string>): ActionResult {
  const show = step.action === 'show';
  const blocked = new Map(
    step.targets
      .filter((t) => !known.has(t))
      .map((t) => [t, 'it is not an item of this shell; only items are shown or hidden']),
  );
  const titles = new Map<string, string>(shell.items.map((i) => [i.ref, i.title]));
  if (show)
    for (const t of known)
      if (namesAnswers(titles.get(t) ?? ''))
        blocked.set(
          t,
          `“${titles.get(t)}” says that it holds answers; rename it first if it is meant for students`,
        );
  return changing(setShown(shell, new Set([...known].filter((t) => !blocked.has(t))), show), blocked);
}

function moveTogether(shell: Shell, step: Step): ActionResult {
  const result = moveItems(shell, step);
  if ('blocked' in result)
    return { edits: [], done: new Set(), blocked: new Map(step.targets.map((t) => [t, result.blocked])) };
  return { edits: result.edits, done: new Set(result.edits.length ? step.targets : []), blocked: new Map() };
}

/** Moves each target to the end of its own module. */
function moveEach(shell: Shell, step: Step): ActionResult {
  const edits: Edit[] = [];
  const done = new Set<string>();
  const blocked = new Map<string, string>();
  let now = shell;
  for (const ref of step.targets) {
    const result = moveItems(now, {
      ...step,
      targets: [ref],
      params: { into: step.params.places?.[ref] ?? null, before: null },
    });
    if ('blocked' in result) blocked.set(ref, result.blocked);
    else if (result.edits.length) {
      edits.push(...result.edits);
      now = applyEdits(now, result.edits);
      done.add(ref);
    }
  }
  return { edits, done, blocked };
}

function merge(shell: Shell, step: Step, refs: RefIndex): ActionResult {
  const pairs = new Map(step.targets.map((t) => [t, step.params.with?.[t] ?? '']));
  const categories = new Map([...pairs].filter(([t]) => refs.typeOf(t) === 'gradeCategory'));
  const first = mergeCategories(shell, categories);
  const second = mergeModules(
    applyEdits(shell, first.edits),
    new Map([...pairs].filter(([t]) => refs.typeOf(t) === 'item')),
  );
  return {
    edits: [...first.edits, ...second.edits],
    done: new Set([...first.done, ...second.done]),
    blocked: new Map([...first.blocked, ...second.blocked]),
  };
}
