import type { Addition } from './add-things';
import { isTaken, type Choice } from './choose';
import type { AddPreview, IncomingThing } from './incoming';

/**
 * The first thing that was taken although its name says that it is not for students, and that they would see where it
 * lands; null where there is none. Nothing that a plan shows may be an answer key.
 */
export function exposedKey(
  { things }: Pick<AddPreview, 'things'>,
  choice: Choice,
  { landed }: Pick<Addition, 'landed'>,
): IncomingThing | null {
  const isExposed = ({ key, leftOut }: IncomingThing) =>
    leftOut === 'key' && isTaken(choice, key) && landed.get(key)?.hidden !== true;
  return things.find(isExposed) ?? null;
}

export const sayExposed = ({ title }: IncomingThing): string =>
  `“${title}” is named as an answer key, and students would see it. Leave it out, or bring everything over hidden.`;
