'use client';
import { useMemo, type ComponentType } from 'react';
import { unpack, type Packed } from './pack';

interface Viewing {
  readonly view: unknown;
}
type PackedProps<Props extends Viewing> = Omit<Props, 'view'> & { readonly packed: Packed<Props['view']> };

/** A stage that takes its view packed; it unpacks it once for as long as it is the same. */
export function takesPacked<Props extends Viewing>(
  Stage: ComponentType<Props>,
): ComponentType<PackedProps<Props>> {
  return function PackedStage({ packed, ...more }) {
    const view = useMemo(() => unpack(packed), [packed]);
    const props = { ...more, view } as unknown as Props;
    return <Stage {...props} />;
  };
}
