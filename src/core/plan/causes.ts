import type { ListName } from '@/core/edits/edit';
import { collect } from '@/core/collect';
import { activitiesByColumn } from '@/core/shell/grade-links';
import type { Shell } from '@/core/shell/model';
import { outsideRef } from '@/core/refs/refs';
import type { CauseOf } from './split-edits';
import type { AnyTarget, Step } from './step';

/**
 * Tells which steps of a batch a thing’s change goes back to: those that name it, else those that name what it belongs
 * to (a page’s text, a resource’s files, a series’ overrides, an activity’s column), else all of them.
 */
export function causesIn(shell: Shell, steps: readonly Step[], first: number): CauseOf {
  const all = steps.map((_, n) => first + n);
  if (steps.length === 1) return () => all;
  const byRef = new Map<string, number[]>();
  steps.forEach((step, n) => {
    for (const { ref } of step.targets as readonly AnyTarget[]) collect(byRef, ref, first + n);
  });
  const belongs = belongingIn(shell, byRef);
  return (list, key) => byRef.get(key) ?? belongs(list, key) ?? all;
}

type Belongs = (list: ListName, key: string) => number[] | undefined;

function belongingIn(shell: Shell, byRef: ReadonlyMap<string, number[]>): Belongs {
  const byContent = new Map<string, number[]>();
  const byPath = new Map<string, number[]>();
  const byUid = new Map<string, number[]>();
  const byOutside = new Map<string, number[]>();
  const note = (map: Map<string, number[]>, key: string, steps: readonly number[] | undefined) => {
    for (const step of steps ?? []) if (!map.get(key)?.includes(step)) collect(map, key, step);
  };
  for (const thing of [...shell.items, ...shell.banks]) {
    if (thing.content === null) continue;
    note(byContent, thing.content, byRef.get(thing.ref));
    note(byOutside, outsideRef(thing.content), byRef.get(thing.ref));
  }
  for (const file of shell.files) note(byContent, file.content, byRef.get(file.path));
  for (const content of shell.contents)
    for (const path of content.files) note(byPath, path, byContent.get(content.id));
  for (const event of shell.events) note(byUid, event.uid, byRef.get(event.ref));
  const uidOf = new Map<string, string>(shell.events.map((event) => [event.ref, event.uid]));
  const activities = activitiesByColumn(shell);
  return (list, key) => {
    if (list === 'contents') return byContent.get(key);
    if (list === 'files' || list === 'entries') return byPath.get(key);
    if (list === 'events') return byUid.get(uidOf.get(key) ?? '');
    if (list === 'items') return byOutside.get(key);
    if (list !== 'gradeColumns') return undefined;
    const owners = [...activities].find(([column]) => column === key)?.[1] ?? [];
    const steps = [...new Set(owners.flatMap((item) => byRef.get(item.ref) ?? []))];
    return steps.length ? steps : undefined;
  };
}
