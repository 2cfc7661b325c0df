/**
 * How many cases a property is tried on: `usual` with every commit, `deep` with `npm run deep`, before an issue is called
 * done.
 */
export const runs = (deep: number, usual: number): number => (process.env['DEEP'] === '1' ? deep : usual);
