import type { LocalDate } from '@/core/dates/local-date';

/** Today on this computer's own clock. */
export function todayHere(): LocalDate {
  const now = new Date();
  const two = (n: number) => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}` as LocalDate;
}
