import type { Shell } from '@/core/shell/model';
import { termFault } from '@/core/shell/term-length';
import { dateOf, daysBetween, type LocalDate } from '@/core/dates/local-date';

export interface InferredTerm {
  readonly start: LocalDate;
  readonly end: LocalDate;
}

/** Dates that are farther apart than this belong to different terms (common practice, no source). */
const longestGap = 28;
/** The share of the dates that the term must hold. */
const share = 0.9;

/**
 * The term that the old dates of a shell lie in: among the dates before the new term, those that cluster together, and
 * of these the shortest stretch that holds nine tenths. Null where there is no such date.
 */
export function inferTerm(shell: Shell): InferredTerm | null {
  const days = datesOf(shell).sort();
  const newStart = shell.term.start;
  const before = newStart === null ? days : days.filter((day) => day < newStart);
  const cluster = largestCluster(before.length > 0 ? before : days);
  if (cluster.length === 0) return null;
  const { start, end } = shortestStretch(cluster);
  const whole = { start, end: latest(end, lastDueIn(shell, cluster)) };
  return termFault(whole) === null ? whole : null;
}

/** The last due date among days that belong together: a term does not end before what is due in it. */
function lastDueIn(shell: Shell, cluster: readonly LocalDate[]): LocalDate | null {
  const [first, last] = [cluster[0], cluster.at(-1)];
  if (first === undefined || last === undefined) return null;
  return shell.items
    .flatMap(({ due }) => (due === null ? [] : [dateOf(due)]))
    .filter((day) => day >= first && day <= last)
    .reduce<LocalDate | null>((until, day) => (until === null || day > until ? day : until), null);
}

const latest = (a: LocalDate, b: LocalDate | null): LocalDate => (b !== null && b > a ? b : a);

/** Every day on which something opens, closes, is due or takes place. */
function datesOf(shell: Shell): LocalDate[] {
  const ofItems = shell.items.flatMap((item) =>
    [item.opens, item.due, item.closes].flatMap((when) => (when === null ? [] : [dateOf(when)])),
  );
  return [...ofItems, ...shell.events.flatMap((event) => event.occurrences.map(dateOf))];
}

function largestCluster(days: readonly LocalDate[]): readonly LocalDate[] {
  const clusters: LocalDate[][] = [];
  for (const day of days) {
    const open = clusters.at(-1);
    const last = open?.at(-1);
    if (open && last !== undefined && daysBetween(last, day) <= longestGap) open.push(day);
    else clusters.push([day]);
  }
  // Of two equally large ones the later is the one that was copied last.
  return clusters.reduce<readonly LocalDate[]>(
    (largest, cluster) => (cluster.length >= largest.length ? cluster : largest),
    [],
  );
}

function shortestStretch(days: readonly LocalDate[]): InferredTerm {
  const wanted = Math.ceil(days.length * share);
  let best: InferredTerm | null = null;
  for (let first = 0; first + wanted <= days.length; first += 1) {
    const [start, end] = [days[first], days[first + wanted - 1]];
    if (start === undefined || end === undefined) continue;
    if (best === null || daysBetween(start, end) < daysBetween(best.start, best.end)) best = { start, end };
  }
  return best ?? { start: days[0] as LocalDate, end: days.at(-1) as LocalDate };
}

/** What is odd about a term, in one sentence; null where nothing is. */
export function oddTerm({ start, end }: InferredTerm, newStart: LocalDate | null): string | null {
  const weeks = Math.round((daysBetween(start, end) + 1) / 7);
  if (weeks < 4) return `The old term would last ${weeks === 1 ? 'one week' : `${weeks} weeks`} only.`;
  if (weeks > 30) return `The old term would last ${weeks} weeks.`;
  if (newStart !== null && daysBetween(end, newStart) > 730)
    return `The old term would have ended in ${end.slice(0, 4)}, more than two years before the new one begins.`;
  return null;
}
