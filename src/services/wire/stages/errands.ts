import { HostClient, type HostAccess } from '@/connectors/campus/host-client';
import type { ShellCard } from '@/connectors/campus/wire';
import type { ReadAnswer } from '@/core/questions/question';
import type { Result } from '@/core/shell/result';
import { readAnswers } from '@/formats/question-sheet/read-answers';
import { impatient, readShellCards } from '@/services/do/hosts/shell-cards';
import type { ErrandAnswer, ErrandKind, ErrandOrder } from '@/services/keep/desks/errand-types';

type Errand = (ask: never) => unknown;

/** Reading what strangers wrote while a person waits: done in a process of its own, which touches nothing. */
export const errands = {
  'host-shells': (access: HostAccess): Promise<Result<readonly ShellCard[]>> =>
    readShellCards(new HostClient(access, () => {}, impatient)),
  'question-sheet': (text: string): Result<readonly ReadAnswer[]> => readAnswers(text),
  'sign-in': (access: HostAccess): Promise<Result<{ readonly id: string; readonly name: string }>> =>
    new HostClient(access, () => {}, impatient).signIn(),
} as const satisfies Readonly<Record<string, Errand>>;

type TypesOf<Errands> = {
  readonly [Kind in keyof Errands]: Errands[Kind] extends (ask: infer Ask) => infer Value
    ? { readonly ask: Ask; readonly value: Awaited<Value> }
    : never;
};
declare module '@/services/keep/desks/errand-types' {
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- all of it is in the type that it extends
  interface ErrandTypes extends TypesOf<typeof errands> {}
}

export async function runErrand<Kind extends ErrandKind>({
  kind,
  ask,
}: ErrandOrder<Kind>): Promise<ErrandAnswer<Kind>> {
  const value = await errands[kind](ask as never);
  return { type: 'fetched', value } as ErrandAnswer<Kind>;
}
