import { HostClient, type HostAccess } from '@/connectors/campus/host-client';
import type { ShellCard } from '@/connectors/campus/wire';
import type { ReadAnswer } from '@/core/questions/question';
import type { Result } from '@/core/shell/result';
import { readAnswers } from '@/formats/question-sheet/read-answers';
import { impatient, readShellCards } from '../hosts/shell-cards';
import type { StageTrouble } from './stage-answer';

type Errand = (ask: never) => unknown;

/** Reading what strangers wrote while a person waits: done in a process of its own, which touches nothing. */
export const errands = {
  'host-shells': (access: HostAccess): Promise<Result<readonly ShellCard[]>> =>
    readShellCards(new HostClient(access, () => {}, impatient)),
  'question-sheet': (text: string): Result<readonly ReadAnswer[]> => readAnswers(text),
  'sign-in': (access: HostAccess): Promise<Result<{ readonly id: string; readonly name: string }>> =>
    new HostClient(access, () => {}, impatient).signIn(),
} as const satisfies Readonly<Record<string, Errand>>;

export type ErrandKind = keyof typeof errands;
export type ErrandAsk<Kind extends ErrandKind> = Parameters<(typeof errands)[Kind]>[0];
type ErrandValue<Kind extends ErrandKind> = Awaited<ReturnType<(typeof errands)[Kind]>>;

/** What came of an errand, or why nothing did. */
export type ErrandAnswer<Kind extends ErrandKind> =
  { readonly type: 'fetched'; readonly value: ErrandValue<Kind> } | StageTrouble;

export interface ErrandOrder<Kind extends ErrandKind = ErrandKind> {
  readonly kind: Kind;
  readonly ask: ErrandAsk<Kind>;
}

export async function runErrand<Kind extends ErrandKind>({
  kind,
  ask,
}: ErrandOrder<Kind>): Promise<ErrandAnswer<Kind>> {
  const value = await errands[kind](ask as never);
  return { type: 'fetched', value: value as ErrandValue<Kind> };
}
