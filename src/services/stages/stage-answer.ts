import { UnreadableStore } from '@/core/shell/unreadable-store';
import type { Fault } from '../log/fault';
import { StorageFault } from '../storage/storage-fault';

/** Why there is nothing to show. Errors lose what they are on their way from thread to thread, so they are told apart here. */
export type StageTrouble =
  | { readonly type: 'gone' }
  | { readonly type: 'unreadable'; readonly sentence: string }
  | { readonly type: 'storage'; readonly sentence: string; readonly fault: Fault };

/** What a stage shows as JSON in UTF-8, or why not. */
export type StageAnswer = Uint8Array<ArrayBuffer> | StageTrouble;

/**
 * The bytes of an answer; null where the shell is not here any more. Throws UnreadableStore and StorageFault as reading
 * here would. It is asked by whoever catches them: the framework loads code more than once, and each copy knows its own
 * errors alone.
 */
export function bytesOf(answer: StageAnswer): Uint8Array<ArrayBuffer> | null {
  if (answer instanceof Uint8Array) return answer;
  switch (answer.type) {
    case 'gone':
      return null;
    case 'unreadable':
      throw new UnreadableStore(answer.sentence);
    case 'storage':
      throw new StorageFault(answer.sentence, { cause: answer.fault });
  }
}
