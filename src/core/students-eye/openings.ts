import type { Content, Item, Shell } from '@/core/shell/model';
import { outlineOf, type Outline } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import type { LocalDateTime } from '@/core/dates/local-date';
import { between, both, never, type Spans } from './spans';

/** Why no day of any term lets a student in. */
export type Closed =
  | { readonly is: 'hidden' }
  | { readonly is: 'shadowed'; readonly by: string }
  | { readonly is: 'staff-only' }
  /** Its own dates and those around it leave no time. */
  | { readonly is: 'never' }
  /** What it requires can’t be done before it closes, or not at all. */
  | { readonly is: 'locked'; readonly behind: string };

/** When a student who has done all that could be done gets into an item. */
export interface Opening {
  readonly spans: Spans;
  /** Null where there is a time. */
  readonly closed: Closed | null;
}

/** The openings of a shell’s items, by their switches, what is around them, their dates and what they require. */
export class Openings {
  private readonly outline: Outline;
  private readonly contents: ReadonlyMap<string, Content>;
  private readonly known = new Map<ItemRef, Opening>();
  /** Items whose opening waits for that of others: a requirement that comes back to one of them goes in a circle. */
  private readonly underWay = new Set<ItemRef>();

  constructor(shell: Shell) {
    this.outline = outlineOf(shell);
    this.contents = new Map(shell.contents.map((content) => [content.id, content]));
  }

  of(item: Item): Opening {
    // By a list, not by calling itself: a chain of requirements may be as long as the outline.
    const open = [item];
    for (let at = open.at(-1); at; at = open.at(-1)) {
      const first = this.known.has(at.ref) ? undefined : this.firstUnknown(at);
      if (first) {
        this.underWay.add(at.ref);
        open.push(first);
        continue;
      }
      if (!this.known.has(at.ref)) this.known.set(at.ref, this.afterRequirements(at, this.byDates(at)));
      this.underWay.delete(at.ref);
      open.pop();
    }
    return this.known.get(item.ref) ?? { spans: never, closed: { is: 'never' } };
  }

  /** Something required that has to be worked out before; what is under way goes in a circle. */
  private firstUnknown(item: Item): Item | undefined {
    for (const ref of this.requiredBy(item)) {
      const first = this.outline.byRef.get(ref);
      if (first && first !== item && !this.known.has(ref) && !this.underWay.has(ref)) return first;
    }
    return undefined;
  }

  /** By switches and dates, whatever is required. */
  private byDates(item: Item): Opening {
    const switched = this.switchedOff(item);
    if (switched) return { spans: never, closed: switched };
    let spans = between(item.opens, item.closes);
    for (const around of this.outline.ancestors(item))
      spans = both(spans, between(around.opens, around.closes));
    return { spans, closed: spans.length === 0 ? { is: 'never' } : null };
  }

  private switchedOff(item: Item): Closed | null {
    if (item.shown === false) return { is: 'hidden' };
    const content = item.content === null ? undefined : this.contents.get(item.content);
    if (item.staffOnly || content?.staffOnly) return { is: 'staff-only' };
    const around = this.outline.ancestors(item).find((one) => one.shown === false || one.staffOnly);
    return around ? { is: 'shadowed', by: around.title } : null;
  }

  /** What is required opens an item at the moment at which the last of it can first be done. */
  private afterRequirements(item: Item, opening: Opening): Opening {
    let { spans } = opening;
    if (spans.length === 0) return opening;
    for (const ref of this.requiredBy(item)) {
      const first = this.outline.byRef.get(ref);
      const behind = first?.title ?? ref;
      // What is required and not known by now requires this in turn.
      const begins = first && this.known.get(ref)?.spans[0];
      if (!begins) return { spans: never, closed: { is: 'locked', behind } };
      spans = both(spans, between(begins.from, null));
      if (spans.length === 0) return { spans, closed: { is: 'locked', behind } };
    }
    return { spans, closed: null };
  }

  /** What an item requires, and what the modules around it do. */
  private requiredBy(item: Item): readonly ItemRef[] {
    return [...this.outline.ancestors(item), item].flatMap((one) => one.requires);
  }
}

/** Noon of a day: the moment at which the student’s eye looks. */
export const noonOf = (day: string): LocalDateTime => `${day}T12:00:00` as LocalDateTime;
