import type { Shell } from './model';

/** What people call a shell by: code and title, as far as there are any. */
export const nameOfShell = ({ code, title }: Pick<Shell, 'code' | 'title'>): string =>
  [code, title].filter((text) => text !== '').join(' ');
