/** Opens the store when the server starts: migrations run before the first request, and jobs that were cut off go on. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { openStore } = await import('@/services/wire/folder/open-store');
  const { endInTime } = await import('@/services/keep/time/end-in-time');
  openStore();
  endInTime();
}
