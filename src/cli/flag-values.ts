import { InvalidArgumentError } from 'commander';

/** Reads a flag that takes one of a few words. */
export const oneOf =
  <T extends string>(list: readonly T[]) =>
  (text: string): T => {
    const value = list.find((one) => one === text);
    if (value === undefined) throw new InvalidArgumentError(`It is one of ${list.join(', ')}.`);
    return value;
  };

/** What is printed: `text` or `json`. */
export const outputFormat = oneOf(['text', 'json'] as const);

/** `A,B,…`: the words between commas. */
export const wordList = (text: string): string[] =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter((word) => word !== '');

/** Says in one line what is wrong, and gives the exit code: 2 where nothing else is told. */
export function complain(message: string, code = 2): number {
  process.stderr.write(`currycomb: ${message}\n`);
  return code;
}
