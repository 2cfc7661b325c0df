import type { Result } from '@/core/shell/result';
import { UnreadableStore } from '@/core/shell/unreadable-store';
import type { DraftKind, DraftTold } from './draft-types';
import type { Drafted } from '@/services/keep/plan/plan-draft';
import type { Fault } from '@/services/keep/log/fault';
import { StorageFault } from '@/services/keep/storage/storage-fault';
import { StoppedStage } from './stopped-stage';

/** Why there is nothing to show. Errors lose what they are on their way from thread to thread, so they are told apart here. */
export type StageTrouble =
  | { readonly type: 'gone' }
  | { readonly type: 'unreadable'; readonly sentence: string }
  /** It took too long or too much memory. */
  | { readonly type: 'stopped'; readonly sentence: string }
  | { readonly type: 'storage'; readonly sentence: string; readonly fault: Fault };

/** What a stage shows as JSON in UTF-8, or why not. */
export type StageAnswer = Uint8Array<ArrayBuffer> | StageTrouble;

type DraftResult<Kind extends DraftKind> = Result<Drafted<DraftTold<Kind>>>;

/** What a change of a plan would come to, or why that can’t be known. */
export type DraftAnswer<Kind extends DraftKind> =
  { readonly type: 'drafted'; readonly result: DraftResult<Kind> } | StageTrouble;

/**
 * The bytes of an answer; null where the shell is not here any more. Throws UnreadableStore and StorageFault as reading
 * here would. It is asked by whoever catches them: the framework loads code more than once, and each copy knows its own
 * errors alone.
 */
export function bytesOf(answer: StageAnswer): Uint8Array<ArrayBuffer> | null {
  return answer instanceof Uint8Array ? answer : tell(answer);
}

/** The text of an answer, where that is what is asked for; else as its bytes. */
export function textOf(answer: StageAnswer): string | null {
  const bytes = bytesOf(answer);
  return bytes && new TextDecoder().decode(bytes);
}

/** What a change of a plan came to; null where the shell is not here any more. Throws as `bytesOf` does. */
export function draftedOf<Kind extends DraftKind>(answer: DraftAnswer<Kind>): DraftResult<Kind> | null {
  return answer.type === 'drafted' ? answer.result : tell(answer);
}

/** What an errand came to. Throws as `bytesOf` does. */
export function fetchedOf<Value>(
  answer: { readonly type: 'fetched'; readonly value: Value } | StageTrouble,
): Value {
  if (answer.type === 'fetched') return answer.value;
  tell(answer);
  throw new Error('an errand is about no shell that could be gone');
}

function tell(trouble: StageTrouble): null {
  switch (trouble.type) {
    case 'gone':
      return null;
    case 'unreadable':
      throw new UnreadableStore(trouble.sentence);
    case 'stopped':
      throw new StoppedStage(trouble.sentence);
    case 'storage':
      throw new StorageFault(trouble.sentence, { cause: trouble.fault });
  }
}
