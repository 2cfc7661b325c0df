import { escapePattern } from '@/core/text/escape-pattern';

/** A pattern that finds phrases as whole words, without regard to case; white space may differ. Null for an empty list. */
export function phrasePattern(phrases: readonly string[]): RegExp | null {
  const parts = phrases
    .map((p) => p.trim())
    .filter((p) => p !== '')
    .sort((a, b) => b.length - a.length);
  if (!parts.length) return null;
  const escaped = parts.map((p) => escapePattern(p).replace(/\s+/g, '\\s+'));
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${escaped.join('|')})(?![\\p{L}\\p{N}])`, 'giu');
}
