import { indexSubjects } from '@/core/checks/run/subjects';
import { outsideLinks } from '@/core/probe/outside-uses';
import type { Shell } from '@/core/shell/model';

/** A place from which an address leads out of a shell. */
export interface LinkPlace {
  readonly type: 'item' | 'file' | 'event';
  readonly ref: string;
  readonly title: string;
}
/** An address that leads out of a shell, as it is kept with the probe. */
export interface ProbedLink {
  readonly url: string;
  readonly isMeeting: boolean;
  /** The first places that lead there. */
  readonly places: readonly LinkPlace[];
  /** How many places lead there in all. */
  readonly uses: number;
}

/** So many places of one address are kept by name. */
const mostPlaces = 5;

/** The addresses of a shell, with the places that lead there. */
export function probedLinks(shell: Shell): readonly ProbedLink[] {
  const subjects = indexSubjects(shell);
  return outsideLinks(shell).map(({ url, isMeeting, uses }) => {
    const places = new Map(uses.map(({ by }) => [`${by.type} ${by.ref}`, by]));
    const named = [...places.values()].slice(0, mostPlaces).map(({ type, ref }) => ({
      type,
      ref,
      title: subjects.name({ type, ref }).title,
    }));
    return { url, isMeeting, places: named, uses: places.size };
  });
}
