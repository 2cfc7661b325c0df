import type { shells } from '@/store/schema';

/** Decisions outlive the term: they are kept under the course's code. */
export const courseOf = (row: Pick<typeof shells.$inferSelect, 'code' | 'id'>): string =>
  row.code.trim().toLowerCase() || row.id;
