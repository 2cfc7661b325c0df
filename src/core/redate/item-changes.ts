import type { Item, Shell } from '@/core/shell/model';
import { atTime, dateOf, type LocalDateTime } from '@/core/dates/local-date';
import type { RedateAsk, Rule } from './ask';
import { isFarOutside, moveDay } from './move-day';
import { changeOf, type ThingChanges } from './thing-changes';

const fields = ['opens', 'due', 'closes'] as const;
type Field = (typeof fields)[number];

export const itemsAsked = (shell: Shell, ask: RedateAsk): readonly Item[] =>
  ask.what === 'events' ? [] : shell.items.filter((item) => ask.only === null || ask.only.has(item.ref));

/** What happens to the dates of items, each date judged by itself. */
export const changesOfItems = (items: readonly Item[], rule: Rule, ask: RedateAsk): ThingChanges[] =>
  items.map((item) => changesOfItem(item, rule, ask));

interface NewDate {
  readonly field: Field;
  readonly old: LocalDateTime;
  readonly new: LocalDateTime | null;
  readonly inBreak: boolean;
  readonly isFar: boolean;
}

function changesOfItem(item: Item, rule: Rule, ask: RedateAsk): ThingChanges {
  const dates = fields.flatMap((field): NewDate[] => {
    const old = item[field];
    return old === null ? [] : [newDate(field, old, rule, ask)];
  });
  const disordered = disorderedOf(dates);
  const changed = dates.filter((date) => date.new !== date.old);
  return {
    ref: item.ref,
    hasDates: dates.length > 0,
    isOutside: dates.length > 0 && dates.every((date) => date.isFar),
    changes: changed.map((date) =>
      changeOf(
        { ...date, type: 'item', ref: item.ref, title: item.title, isDisordered: disordered.has(date.field) },
        rule,
      ),
    ),
    sets:
      changed.length === 0
        ? {}
        : { [item.ref]: Object.fromEntries(changed.map((date) => [date.field, date.new])) },
  };
}

function newDate(field: Field, old: LocalDateTime, rule: Rule, ask: RedateAsk): NewDate {
  if (isFarOutside(dateOf(old), rule)) return { field, old, new: old, inBreak: false, isFar: true };
  const moved = moveDay(dateOf(old), rule, ask);
  return {
    field,
    old,
    new: moved === null ? null : atTime(moved.day, old.slice(11)),
    inBreak: moved?.inBreak ?? false,
    isFar: false,
  };
}

/** The dates of each pair that is the wrong way round: what opens first is due later and closes last. */
function disorderedOf(dates: readonly NewDate[]): ReadonlySet<Field> {
  const wrong = new Set<Field>();
  dates.forEach((first, k) => {
    for (const later of dates.slice(k + 1))
      if (first.new !== null && later.new !== null && first.new > later.new) {
        wrong.add(first.field);
        wrong.add(later.field);
      }
  });
  return wrong;
}
