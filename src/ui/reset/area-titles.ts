import type { ResetArea } from '@/core/plan/areas/areas';

/** The areas in words. */
export const areaTitles: Readonly<Record<ResetArea, string>> = {
  items: 'Everything in the outline',
  outside: 'Pages and activities outside it',
  files: 'Files',
  events: 'Calendar events',
  announcements: 'Announcements',
  'grade-setup': 'Grade columns and categories',
  banks: 'Question banks',
  groups: 'Groups',
  'home-pages': 'Home pages',
};
