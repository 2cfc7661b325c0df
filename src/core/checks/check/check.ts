import { entryOf } from '@/core/entries';
import type { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import type { Facts } from '@/core/checks/facts/facts';
import type { SharedRules } from '@/core/checks/rules/shared-rules';
import type {
  CheckId,
  Evidence,
  Remedy,
  RemedyKind,
  SubjectRef,
  Urgency,
} from '@/core/checks/finding/finding';

/** The named holes of a message: `"{count} files"` has the hole `count`. */
export type Holes<T extends string> = T extends `${string}{${infer Name}}${infer Rest}`
  ? Name | Holes<Rest>
  : never;

/** What a check yields: data only. Wording comes last, from the check's own messages. */
export interface RawFinding<Messages extends Record<string, string>> {
  readonly message: MessageOf<Messages>;
  /** Subjects as typed refs; titles and places are filled in later. */
  readonly subjects: readonly SubjectRef[];
  readonly keep?: string | null;
  readonly evidence: readonly Evidence[];
  readonly remedy: Remedy | null;
  readonly confidence?: number;
  /** Tells apart two findings of this check about the same subjects; part of the finding's id. */
  readonly about?: string;
  /** Groups findings that one decision fits; default: all findings of the check. */
  readonly batch?: string;
  /** What this finding settles: a finding of these checks (all of them where none is named) about nothing but these refs is covered by it. */
  readonly covers?: readonly Cover[];
  /** Refs of what stays; a covered finding may name them beside what it is about. */
  readonly keeps?: readonly string[];
}
export interface Cover {
  readonly refs: readonly string[];
  readonly checks?: readonly CheckId[];
}
export type MessageOf<Messages extends Record<string, string>> = {
  [K in keyof Messages & string]: {
    readonly id: K;
    readonly params: Readonly<Record<Holes<Messages[K]>, string | number>>;
  };
}[keyof Messages & string];

/** A page about the check, made from its record. */
export interface CheckPage {
  readonly means: string;
  readonly why: string;
  readonly example: string;
  readonly remedy: string;
  readonly notWhen: string;
}

export interface CheckRecord<
  Messages extends Record<string, string> = Record<string, string>,
  Options extends z.ZodObject = z.ZodObject,
  Needs extends keyof Facts = keyof Facts,
> {
  readonly id: CheckId;
  readonly title: string;
  readonly urgency: Urgency;
  readonly remedyKind: RemedyKind | 'depends' | 'none';
  /** The facts that `find` may use; it gets no others. */
  readonly needs: readonly Needs[];
  readonly options: Options;
  readonly messages: Messages;
  /** Words for a batch: what its things are, one and many, said after the count. */
  readonly things: readonly [one: string, many: string];
  /** Where a finding joins two things, such as a link and its target: a batch counts findings then, and not their subjects. */
  readonly counts?: 'findings';
  /** Where only the owner can know: the question that one answer decides for a whole batch, with the holes {count} and {things}. */
  readonly question?: string;
  readonly page: CheckPage;
  /**
   * A reason why the check says nothing about this shell, or null where it applies. `missing` where it can’t know, since
   * something was not given; a plain reason where there is nothing of the kind that it looks at.
   */
  notApplicable(shell: Shell): string | Missing | null;
  /** What nobody has asked for yet that it needs, or null where it can look. */
  notAsked?(facts: Pick<Facts, Needs>): string | null;
  find(input: CheckInput<Options, Needs>): Iterable<RawFinding<Messages>>;
}

/** What a check would need and nobody gave. */
export interface Missing {
  readonly missing: string;
}
export const missing = (reason: string): Missing => ({ missing: reason });

export interface CheckInput<Options extends z.ZodObject, Needs extends keyof Facts> {
  /** The shell without what stands in stores of staff. */
  readonly shell: Shell;
  readonly facts: Pick<Facts, Needs>;
  readonly options: z.output<Options>;
  /** The lists that all checks share. */
  readonly rules: SharedRules;
}

/** Makes a check's record: typed by its own messages, options and facts, then frozen. */
export function defineCheck<
  const Messages extends Record<string, string>,
  Options extends z.ZodObject,
  const Needs extends keyof Facts,
>(record: CheckRecord<Messages, Options, Needs>): CheckRecord<Messages, Options, Needs> {
  return Object.freeze(record);
}

/** Fills a message's holes. */
export function word(template: string, params: Readonly<Record<string, string | number>>): string {
  return template.replace(/\{(\w+)\}/g, (_, name: string) => String(entryOf(params, name) ?? ''));
}
