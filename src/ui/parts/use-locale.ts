'use client';
import { useSyncExternalStore } from 'react';

/** The reader’s own locale; a plain one until the page is in the browser. */
export const useLocale = (): string => useSyncExternalStore(noChanges, ownLocale, plainLocale);

const noChanges = () => () => undefined;
const ownLocale = (): string => navigator.language;
const plainLocale = (): string => 'en-GB';
