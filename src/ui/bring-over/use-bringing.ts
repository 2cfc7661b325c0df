'use client';
import { useEffect, useMemo, useState } from 'react';
import { chooseNamed, type Choice } from '@/core/add/choose';
import type { IncomingKey } from '@/core/add/incoming';
import type { Landing } from '@/core/add/landing';
import { isOnePlace } from '@/core/add/landing';
import type { Dating } from '@/core/add/redate-taken';
import type { LocalDate } from '@/core/dates/local-date';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';

/** What is chosen of a source, and how it comes. */
export interface Bringing {
  readonly chosen: ReadonlySet<IncomingKey>;
  /** Things whose counterparts get what the source says. */
  readonly replace: ReadonlySet<IncomingKey>;
  readonly landing: Landing;
  readonly dating: Dating;
  readonly sourceTerm: { readonly start: LocalDate | null; readonly end: LocalDate | null };
  readonly hidden: boolean;
}

type Kept = Omit<Bringing, 'chosen' | 'replace'> & {
  readonly chosen: readonly IncomingKey[];
  readonly replace: readonly IncomingKey[];
};

/** What is proposed and no check says anything of. */
export function proposedKeys({ preview }: Pick<BringOverView, 'preview'>): ReadonlySet<IncomingKey> {
  const doubted = new Set(preview.hints.filter(({ isDoubt }) => isDoubt).map(({ key }) => key));
  const servants = new Set(Object.values(preview.needs).flatMap((needs) => needs.map(({ key }) => key)));
  return new Set(
    preview.things
      .filter(({ key, type, proposed }) => {
        // What serves others comes with them alone.
        const isServant = type !== 'item' && servants.has(key);
        return proposed && !doubted.has(key) && !isServant;
      })
      .map(({ key }) => key),
  );
}

const placeOf = ({ id }: BringOverView): string => `currycomb.bring-over.${id}`;

function begun(view: BringOverView): Bringing {
  const isOther = view.sourceTerm.start !== null && view.sourceTerm.start !== view.term.start;
  const fresh: Bringing = {
    chosen: proposedKeys(view),
    replace: new Set(),
    landing: { where: 'match' },
    dating: { mode: isOther && view.term.start !== null ? 'week-and-weekday' : 'keep', days: 0 },
    sourceTerm: { start: null, end: null },
    hidden: false,
  };
  const text = window.localStorage.getItem(placeOf(view));
  if (text === null) return fresh;
  try {
    const kept = JSON.parse(text) as Kept;
    return { ...fresh, ...kept, chosen: new Set(kept.chosen), replace: new Set(kept.replace) };
  } catch {
    return fresh;
  }
}

/** A browser may give no room for it: then the choice lasts as long as the page. */
function keep(place: string, text: string): void {
  try {
    window.localStorage.setItem(place, text);
  } catch {
    window.localStorage.removeItem(place);
  }
}

/** The choice on the screen; it is kept until it is carried out or discarded, over reloads and restarts. */
export function useBringing(view: BringOverView): {
  readonly bringing: Bringing;
  readonly choice: Choice;
  change(change: Partial<Bringing> | ((now: Bringing) => Partial<Bringing>)): void;
  forget(): void;
} {
  const [bringing, setBringing] = useState(() => begun(view));
  const { chosen, replace, landing } = bringing;
  const toOnePlace = isOnePlace(landing);
  const choice = useMemo(
    () => chooseNamed(view.preview, [...chosen], [...replace], { toOnePlace }),
    [view.preview, chosen, replace, toOnePlace],
  );
  useEffect(() => {
    const kept: Kept = { ...bringing, chosen: [...bringing.chosen], replace: [...bringing.replace] };
    keep(placeOf(view), JSON.stringify(kept));
  }, [bringing, view]);
  return {
    bringing,
    choice,
    change: (change) =>
      setBringing((now) => ({ ...now, ...(typeof change === 'function' ? change(now) : change) })),
    forget: () => window.localStorage.removeItem(placeOf(view)),
  };
}
