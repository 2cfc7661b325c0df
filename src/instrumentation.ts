/** Opens the store when the server starts: migrations run before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { appContext } = await import('@/services/context');
  const { clearOldUploads } = await import('@/services/bring-in/order-bring-in');
  clearOldUploads(appContext(), Date.now());
}
