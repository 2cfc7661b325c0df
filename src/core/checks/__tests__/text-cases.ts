import type { FiringCase, SilentCase } from './check-cases';

/** A page of the given text, called `p`; a table of such texts makes the cases of a check that reads. */
export const textFires = (
  texts: readonly string[],
  more: Omit<FiringCase, 'name' | 'build' | 'subjects'> = {},
): FiringCase[] =>
  texts.map((text) => ({
    name: `text: ${text}`,
    build: (c) => void c.page('About', `<p>${text}</p>`, { ref: 'p', path: 'about.html' }),
    subjects: [['p']],
    ...more,
  }));
export const textSilent = (
  texts: readonly string[],
  more: Omit<SilentCase, 'name' | 'build'> = {},
): SilentCase[] =>
  texts.map((text) => ({
    name: `text: ${text}`,
    build: (c) => void c.page('About', `<p>${text}</p>`, { ref: 'p', path: 'about.html' }),
    ...more,
  }));

/** A page of the given title. */
export const titleFires = (
  titles: readonly string[],
  more: Omit<FiringCase, 'name' | 'build' | 'subjects'> = {},
): FiringCase[] =>
  titles.map((title) => ({
    name: `title: ${title}`,
    build: (c) => void c.page(title, '<p>x</p>', { ref: 'p', path: 'about.html' }),
    subjects: [['p']],
    ...more,
  }));
export const titleSilent = (
  titles: readonly string[],
  more: Omit<SilentCase, 'name' | 'build'> = {},
): SilentCase[] =>
  titles.map((title) => ({
    name: `title: ${title}`,
    build: (c) => void c.page(title, '<p>x</p>', { ref: 'p', path: 'about.html' }),
    ...more,
  }));
