import { titleKey } from './normalise';

/** Does a title fit one of the patterns? `*` stands for any run of characters; case and white space do not count. */
export const fitsPattern = (title: string, patterns: readonly string[]): boolean => {
  const key = titleKey(title);
  return patterns.some((pattern) => fits(key, titleKey(pattern)));
};

/** Goes through the fixed parts of a pattern from the left: each stands behind the one before, the last one at the end. */
function fits(text: string, pattern: string): boolean {
  const [first = '', ...others] = pattern.split('*');
  const last = others.pop();
  if (last === undefined) return text === first;
  if (!text.startsWith(first) || text.length < first.length + last.length || !text.endsWith(last))
    return false;
  const end = text.length - last.length;
  let at = first.length;
  for (const part of others) {
    const found = text.indexOf(part, at);
    if (found < 0 || found + part.length > end) return false;
    at = found + part.length;
  }
  return true;
}
