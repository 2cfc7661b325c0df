import { join } from 'node:path';
import type { Context } from './context';

const holder = globalThis as typeof globalThis & { currycombContext?: () => Context };

/** Where the application stands. */
export const rootFolder = (): string => process.env['CURRYCOMB_ROOT'] ?? process.cwd();

/** Where the web process keeps everything. */
export const dataFolder = (): string => process.env['CURRYCOMB_DATA'] ?? join(rootFolder(), '.data');

/**
 * Says, when the server starts, how the process comes to its context. Pages and routes need none of the code that opens
 * it: the framework loads a copy of what each of them imports.
 */
export function provideContext(open: () => Context): void {
  holder.currycombContext = open;
}

/** The one context of the web process. Throws a `StorageFault` where its folder can't be used now. */
export function appContext(): Context {
  if (!holder.currycombContext) throw new Error('the server was not started: nobody opened its folder');
  return holder.currycombContext();
}
