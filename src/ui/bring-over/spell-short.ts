import { isoWeekday, parseLocalDate } from '@/core/dates/local-date';

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A day as it stands in a row: Fri 29 Jan 2027. */
export function spellShort(when: string): string {
  const day = parseLocalDate(when.slice(0, 10));
  if (day === null) return when;
  const [year = '', month = '', date = ''] = day.split('-');
  return `${days[isoWeekday(day) - 1]} ${Number(date)} ${months[Number(month) - 1]} ${year}`;
}
