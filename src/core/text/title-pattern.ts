/** Does a title fit one of the patterns? `*` stands for any run of characters; case does not count. */
export function fitsPattern(title: string, patterns: readonly string[]): boolean {
  return patterns.some((pattern) => {
    const source = pattern
      .split('*')
      .map((part) => part.replace(/[.+?^${}()|[\]\\]/g, '\\$&'))
      .join('.*');
    return new RegExp(`^${source}$`, 'i').test(title.trim());
  });
}
