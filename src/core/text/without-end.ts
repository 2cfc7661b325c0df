/** A text without the signs at its end that are among these. A pattern for that tries again at each of them. */
export function withoutEnd(text: string, signs: string): string {
  let end = text.length;
  while (end > 0 && signs.includes(text.charAt(end - 1))) end -= 1;
  return text.slice(0, end);
}
