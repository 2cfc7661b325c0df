import type { ItemKind } from '@/core/shell/model';

/** Every kind of item in words: one and many. */
export const kindNames: Readonly<Record<ItemKind, readonly [one: string, many: string]>> = {
  module: ['Module', 'Modules'],
  heading: ['Heading', 'Headings'],
  page: ['Page', 'Pages'],
  file: ['File link', 'File links'],
  'web-link': ['Web link', 'Web links'],
  'tool-link': ['Tool link', 'Tool links'],
  assignment: ['Assignment', 'Assignments'],
  quiz: ['Quiz', 'Quizzes'],
  discussion: ['Discussion', 'Discussions'],
  announcement: ['Announcement', 'Announcements'],
  'home-page': ['Home page', 'Home pages'],
  other: ['Other', 'Others'],
};
