import { entryOf } from '@/core/entries';
import equal from 'fast-deep-equal';
import {
  keyOf,
  listNames,
  type Edit,
  type ListName,
  type PlacedThing,
  type ThingOf,
} from '@/core/edits/edit';
import type { NameThere } from '../connector';
import { collectionOf, idField } from './collections';
import type { Names } from './names';
import { fieldsOf, thingOf } from './shell-of-lists';
import type { Lists } from './read-lists';
import type { WireChange, WireOutcome, WireRecord, WireShell } from './wire';

/** An addition or a removal. */
type ListedEdit = Extract<Edit, { op: 'insert' | 'remove' }>;

/** A tag that no record has: the host refuses the change, and says what it found. */
const noTag = 'not-as-seen';

/**
 * What is known of the records over there: their ids and tags, and what they say. Turns edits into changes and
 * learns from what the host answers. An edit that does not fit what the record says is sent with a tag that the host
 * refuses, so that every edit has its answer. What is planned counts as done, so that
 * later edits of the same request find it; the host takes its own earlier changes for seen.
 */
export class HostRecords {
  private readonly known: Readonly<Record<ListName, Map<string, WireRecord>>>;
  private description: Readonly<Record<string, unknown>>;
  private tag: string;

  constructor(
    host: WireShell,
    lists: Lists,
    private readonly names: Names,
  ) {
    this.tag = host.tag;
    this.description = host.description;
    this.known = Object.fromEntries(
      listNames.map((list) => [
        list,
        new Map(lists[list].map((record) => [keyOf(thingOf(list, record, names)), record])),
      ]),
    ) as Record<ListName, Map<string, WireRecord>>;
  }

  plan(edit: Edit): WireChange {
    switch (edit.op) {
      case 'facts':
        return this.planFacts(edit);
      case 'order':
        return this.planOrder(edit);
      case 'insert':
        return this.planMaking(edit);
      case 'change':
        return this.planChange(edit);
      case 'remove':
        return this.planRemoval(edit);
    }
  }

  /** Takes in what the host answered to an edit’s change; the name that it gave to something new. */
  learn(edit: Edit, outcome: WireOutcome): NameThere | null {
    switch (edit.op) {
      case 'facts':
        if (outcome.is === 'done') this.tag = outcome.tag;
        return null;
      case 'change': {
        const record = this.known[edit.list].get(edit.ref);
        if (record && outcome.is === 'done')
          this.known[edit.list].set(edit.ref, { ...record, tag: outcome.tag });
        return null;
      }
      case 'insert':
        return this.learnNew(edit, outcome);
      case 'remove':
      case 'order':
        return null;
    }
  }

  private learnNew(edit: ListedEdit, outcome: WireOutcome): NameThere | null {
    const placed = onlyOf(edit.things);
    const key = keyOf(placed.thing);
    if (outcome.is !== 'done') {
      this.known[edit.list].delete(key);
      return null;
    }
    const { id, tag } = outcome;
    const name = idField[edit.list] === undefined ? null : { ref: key, there: id };
    if (name) this.names.learn(name);
    this.known[edit.list].set(key, { id, tag, fields: this.fieldsThere(edit.list, placed.thing) });
    return name;
  }

  private planFacts({ before, after }: Extract<Edit, { op: 'facts' }>): WireChange {
    const fits = Object.entries(before).every(([name, value]) =>
      equal(entryOf(this.description, name), value),
    );
    if (fits) this.description = { ...this.description, ...after };
    return { do: 'describe', tag: fits ? this.tag : noTag, fields: { ...after } };
  }

  private planOrder({ list, before, after }: Extract<Edit, { op: 'order' }>): WireChange {
    const ids = (keys: readonly string[]) => keys.map((key) => this.known[list].get(key)?.id ?? key);
    return { do: 'order', in: collectionOf[list], was: ids(before), ids: ids(after) };
  }

  private planMaking({ list, things }: ListedEdit): WireChange {
    const { thing, after } = onlyOf(things);
    const key = keyOf(thing);
    if (idField[list] !== undefined) this.names.forget(key);
    const fields = this.fieldsThere(list, thing);
    // What stood before it may have gone since; then it comes last.
    const before = after === null ? null : (this.known[list].get(after)?.id ?? this.lastOf(list));
    // What goes by a field of its own keeps that; only ids of the host’s are given anew.
    const as = idField[list] === undefined ? `new:${key}` : key;
    this.known[list].set(key, { id: as, tag: '', fields });
    return { do: 'make', in: collectionOf[list], as, after: before, fields };
  }

  private planChange({ list, ref, before, after }: Extract<Edit, { op: 'change' }>): WireChange {
    const record = this.known[list].get(ref);
    const fields = this.names.toThere({ ...after }) as Record<string, unknown>;
    const now = record ? (thingOf(list, record, this.names) as unknown as Record<string, unknown>) : {};
    const fits = Object.entries(before).every(([field, value]) => equal(entryOf(now, field), value));
    if (record && fits) this.known[list].set(ref, { ...record, fields: { ...record.fields, ...fields } });
    return {
      do: 'change',
      in: collectionOf[list],
      id: record?.id ?? this.names.thereOf(ref),
      tag: record && fits ? record.tag : noTag,
      fields,
    };
  }

  private planRemoval({ list, things }: ListedEdit): WireChange {
    const { thing } = onlyOf(things);
    const key = keyOf(thing);
    const record = this.known[list].get(key);
    const fits = record !== undefined && equal(thingOf(list, record, this.names), thing);
    if (fits) this.known[list].delete(key);
    const work = Number(record?.fields['studentWork'] ?? record?.fields['results'] ?? 0);
    return {
      do: 'remove',
      in: collectionOf[list],
      id: record?.id ?? this.names.thereOf(key),
      tag: fits ? record.tag : noTag,
      work,
    };
  }

  private fieldsThere(list: ListName, thing: ThingOf<ListName>): Record<string, unknown> {
    return this.names.toThere(fieldsOf(list, thing));
  }

  private lastOf(list: ListName): string | null {
    let last: string | null = null;
    for (const { id } of this.known[list].values()) last = id;
    return last;
  }
}

/** A script names one thing with each addition and removal. */
function onlyOf(things: readonly PlacedThing<ListName>[]): PlacedThing<ListName> {
  const [only] = things;
  if (only === undefined || things.length !== 1) throw new Error('an edit of a batch is about one thing');
  return only;
}
