import { contentOfShell } from '@/core/shell/find-things';
import { escapeAttribute } from '@/core/text/escape-markup';
import type { Content, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';

/** Is what a link shall lead to an address outside, and no path of the package? */
export const isWebGoal = (goal: string): boolean => /^https?:\/\/[^\s/]/i.test(goal);

/** A web address as it is spelled in a text: in an attribute of HTML, or in a style. */
export function spellWebGoal(goal: string, context: 'html' | 'css'): string {
  return context === 'html'
    ? escapeAttribute(goal)
    : goal.replace(/[()'"\\\s]/g, (c) => `%${c.charCodeAt(0).toString(16).padStart(2, '0')}`);
}

/** The content of an item that is a web link and nothing else, where its address has a file of its own; null for others. */
export function linkOf(shell: Shell, ref: string): Content | null {
  const content = contentOfShell(shell, outlineOf(shell).byRef.get(ref as ItemRef)?.content ?? null);
  if (content?.kind !== 'web-link' || content.target === null) return null;
  return (content.href ?? content.files[0]) === undefined ? null : content;
}

/** Leads a web link to another address. */
export const leadLink = (shell: Shell, content: Content, goal: string): Shell => ({
  ...shell,
  contents: shell.contents.map((one) => (one === content ? { ...one, target: goal } : one)),
});
