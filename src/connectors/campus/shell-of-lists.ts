import { listNames, type ListName, type ThingOf } from '@/core/edits/edit';
import { emptyShell } from '@/core/shell/empty-shell';
import type { Shell, Term } from '@/core/shell/model';
import { shellRef } from '@/core/refs/refs';
import type { LocalDate } from '@/core/dates/local-date';
import { idField } from './collections';
import type { Names } from './names';
import type { Lists } from './read-lists';
import type { WireRecord, WireShell } from './wire';

/** A record as the thing that it is here, by the ref that it has here. Its fields were held against their schema. */
export function thingOf<N extends ListName>(list: N, record: WireRecord, names: Names): ThingOf<N> {
  const key = idField[list];
  const fields = names.toHere(record.fields);
  const thing = key === undefined ? fields : { [key]: names.hereOf(record.id), ...fields };
  return thing as unknown as ThingOf<N>;
}

/** The fields that the host keeps of a thing: all but the id that it gave itself. */
export function fieldsOf<N extends ListName>(list: N, thing: ThingOf<N>): Record<string, unknown> {
  const key = idField[list];
  return Object.fromEntries(Object.entries(thing).filter(([name]) => name !== key));
}

/** The shell that a host’s lists make. What is outside the outline comes last, as everywhere here. */
export function shellOfLists(host: WireShell, lists: Lists, names: Names): Shell {
  const { description, people } = host;
  const things = Object.fromEntries(
    listNames.map((list) => [list, lists[list].map((record) => thingOf(list, record, names))]),
  ) as unknown as Pick<Shell, ListName>;
  return {
    ...emptyShell,
    ...things,
    ref: shellRef(host.id),
    code: description.code,
    title: description.title,
    timeZone: description.timeZone,
    term: description.term as Term,
    previousTerm: description.previousTerm as Term | null,
    noClassDays: description.noClassDays as LocalDate[],
    asOf: description.today as LocalDate,
    calendar: description.calendar,
    enrolments: people,
    isLive: true,
    frame: { ...emptyShell.frame, title: description.title },
  };
}
