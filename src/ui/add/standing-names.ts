import type { Standing } from '@/core/add/incoming';

export const standingNames: Readonly<Record<Standing, string>> = { new: 'New', differs: 'Differs', doubled: 'Would be doubled', there: 'Already there' };
