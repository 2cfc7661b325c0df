import { sayDifference } from '@/core/compare/say-difference';
import { textOfContent } from '@/core/links/scans';
import type { Content, CourseEvent, Item } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import type { LocalDateTime } from '@/core/dates/local-date';

/** How an item that comes in differs from the one that is here, each in one clause, the dates among them. */
export const itemDifferences = (
  other: Item,
  item: Item,
  here: Content | undefined,
  there: Content | undefined,
  sameBody: boolean,
): string[] => [
  ...wordDifferences(other, item, here, there, sameBody),
  ...dateDifferences(other, item),
  ...shownDifferences(other, item),
];

/** Title, text and points. */
export function wordDifferences(
  other: Item,
  item: Item,
  here: Content | undefined,
  there: Content | undefined,
  sameBody: boolean,
): string[] {
  const found: string[] = [];
  if (other.title !== item.title && titleKey(other.title) !== titleKey(item.title))
    found.push(`it is called “${item.title}” instead of “${other.title}”`);
  if (!sameBody && item.content !== null)
    found.push(
      sayDifference(textOfContent(here), textOfContent(there)) ??
        ((here?.target ?? null) === (there?.target ?? null)
          ? 'its links, files or answers differ'
          : `it leads to ${there?.target ?? 'nothing'} instead of ${here?.target ?? 'nothing'}`),
    );
  const points = [other.points ?? here?.points ?? null, item.points ?? there?.points ?? null];
  if (points[0] !== points[1] && points[1] !== null)
    found.push(`${points[1]} points instead of ${points[0] ?? 'none known'}`);
  return found;
}

function dateDifferences(other: Item, item: Item): string[] {
  return (['opens', 'due', 'closes'] as const).flatMap((which) => {
    const [a, b] = [other[which], item[which]];
    if (b === null || a === b) return [];
    return [`${which} ${spellMoment(b)} instead of ${a === null ? 'no date' : spellMoment(a)}`];
  });
}

export function shownDifferences(other: Item, item: Item): string[] {
  if (item.shown === null || (other.shown ?? true) === item.shown) return [];
  return [item.shown ? 'shown instead of hidden' : 'hidden instead of shown'];
}

export const spellMoment = (when: LocalDateTime): string => when.slice(0, 16).replace('T', ' ');

/** How an event that comes in differs from the one that is here. */
export function eventDifferences(here: CourseEvent, event: CourseEvent): string[] {
  const moved =
    here.start === event.start && here.end === event.end
      ? []
      : [`${spellMoment(event.start)} instead of ${spellMoment(here.start)}`];
  const [title = [], ...others] = eventWordDifferences(here, event);
  return [...title, ...moved, ...others.flat()];
}

/** Title, rule, place and links, each with what is said of it: nothing where it is the same. */
export function eventWordDifferences(here: CourseEvent, event: CourseEvent): string[][] {
  const isRuled = (here.recurrence?.rule ?? '') === (event.recurrence?.rule ?? '');
  return [
    titleKey(here.title) === titleKey(event.title)
      ? []
      : [`it is called “${event.title}” instead of “${here.title}”`],
    isRuled ? [] : ['it repeats in another way'],
    here.location === event.location ? [] : [`at “${event.location}” instead of “${here.location}”`],
    here.links.join(' ') === event.links.join(' ') ? [] : ['its links differ'],
  ];
}
