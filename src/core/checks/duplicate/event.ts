import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { compareText } from '@/core/compare-text';
import { collect } from '@/core/collect';
import type { CourseEvent } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { dateOf, spellDate, timeOf } from '@/core/dates/local-date';
import { defineCheck } from '@/core/checks/check/check';

export const duplicateEvent = defineCheck({
  id: 'duplicate.event',
  title: 'Events that stand twice',
  urgency: 'look-at',
  remedyKind: 'safe',
  needs: [],
  options: z.object({}),
  messages: {
    time: '“{title}” stands {count} times on {date}',
    identifier: '“{title}” stands {count} times under one identifier',
  },
  things: ['event that stands twice', 'events that stand twice'],
  page: {
    means:
      'Two or more events have the same title and begin at the same moment, or have the same identifier (UID).',
    why: 'Students get every reminder twice, and when one of the two is moved, nobody knows which is right.',
    example: 'The calendar was brought in on Monday and again on Wednesday: every lecture stands twice.',
    remedy: 'Deletes all but one: the one that was changed last stays, else the one that stands first.',
    notWhen: 'One is the changed date of a series that the other stands for.',
  },
  notApplicable: (shell) => (shell.events.length > 1 ? null : 'there are not two events'),
  *find({ shell }) {
    for (const { events, by } of groups(shell.events)) {
      const keep = elementAt(
        [...events].sort((a, b) => compareText(changed(b), changed(a))),
        0,
      );
      const others = events.filter((e) => e !== keep);
      const date = `${spellDate(dateOf(keep.start))}${keep.allDay ? '' : `, ${timeOf(keep.start)}`}`;
      yield {
        message:
          by === 'time'
            ? { id: 'time', params: { title: keep.title, count: events.length, date } }
            : { id: 'identifier', params: { title: keep.title, count: events.length } },
        subjects: events.map((e) => ({ type: 'event', ref: e.ref })),
        keep: keep.ref,
        evidence: [
          ...events.map((e) => ({
            label: e === keep ? 'Stays' : 'Goes',
            value: `${e.title}, ${spellDate(dateOf(e.start))}${e.allDay ? '' : `, ${timeOf(e.start)}`}${sayChanged(e)}`,
            where: e.ref,
          })),
          {
            label: 'Why this one stays',
            value:
              changed(keep) && changed(keep) !== changed(elementAt(others, 0))
                ? 'it was changed last'
                : 'it stands first',
          },
        ],
        remedy: { action: 'delete', targets: others.map((e) => e.ref), params: {}, kind: 'safe' },
        covers: [{ refs: others.map((e) => e.ref) }],
      };
    }
  },
});

const changed = (e: CourseEvent): string => e.modified ?? e.created ?? '';
function sayChanged({ modified, created }: CourseEvent): string {
  const at = modified ?? created;
  return at === null ? '' : `, changed ${spellDate(dateOf(at))}`;
}

/** Events that are one and the same, each in one group: by title and moment first, then by identifier. */
function groups(events: readonly CourseEvent[]): { events: CourseEvent[]; by: 'time' | 'identifier' }[] {
  const byTime = new Map<string, CourseEvent[]>();
  for (const e of events) collect(byTime, `${titleKey(e.title)} ${e.start} ${e.allDay}`, e);
  const taken = new Set<CourseEvent>();
  const found: { events: CourseEvent[]; by: 'time' | 'identifier' }[] = [];
  for (const list of byTime.values()) {
    // A changed date of a series may fall on a date of the series itself.
    const apart = list.filter(
      (e) =>
        e.recurrenceId === null || !list.some((o) => o !== e && o.uid === e.uid && o.recurrenceId === null),
    );
    if (apart.length < 2) continue;
    found.push({ events: apart, by: 'time' });
    for (const e of apart) taken.add(e);
  }
  const byUid = new Map<string, CourseEvent[]>();
  for (const e of events) if (!taken.has(e)) collect(byUid, `${e.uid} ${e.recurrenceId ?? ''}`, e);
  for (const list of byUid.values()) if (list.length > 1) found.push({ events: list, by: 'identifier' });
  return found;
}
