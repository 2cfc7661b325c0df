import type { ShellComposer } from '@/formats/cartridge/compose-shell';

/** One page, two empty modules, and four files that nothing uses. */
export const cluttered = (c: ShellComposer): void => {
  c.page('Outlook', '<p>What comes next in the course, week by week, at the weir.</p>', { ref: 'o' });
  c.module('Empty one', { ref: 'e1' });
  c.module('Empty two', { ref: 'e2' });
  for (let n = 0; n < 4; n += 1) c.file(`left-${n}.txt`, `left over ${n}`);
};
