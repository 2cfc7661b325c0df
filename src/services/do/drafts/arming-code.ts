import type { ShellRow } from '@/services/keep/shells/current-shell';

/** What is typed to arm a reset: the shell’s code, or its title where it has none. */
export const armingCode = ({ code, title }: ShellRow): string => code || title;
