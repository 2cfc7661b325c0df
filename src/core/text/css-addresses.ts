/** An open comment or an open bracket ends what can match, so that no text is gone through twice. */
const pattern =
  /\/\*[\s\S]*?(?:\*\/|$)|url\(\s*(?:"([^"]*)"|'([^']*)'|&quot;(.*?)&quot;|([^\s"'()]+))\s*\)|@import\s+(?:"([^"]*)"|'([^']*)')/gi;

/** Addresses in a style sheet or style attribute: `url(…)` and `@import` (CSS Values 4, section 4.5); comments aside. */
export function cssAddresses(css: string): { value: string; start: number; end: number }[] {
  const found: { value: string; start: number; end: number }[] = [];
  for (const match of css.matchAll(pattern)) {
    const value = match[1] ?? match[2] ?? match[3] ?? match[4] ?? match[5] ?? match[6];
    if (value === undefined || value === '') continue;
    const start = match.index + match[0].lastIndexOf(value);
    found.push({ value: value.trim(), start, end: start + value.length });
  }
  return found;
}
