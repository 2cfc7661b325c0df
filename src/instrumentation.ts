/** Opens the store when the server starts: migrations run before the first request, and jobs that were cut off go on. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { appContext, FolderTaken } = await import('@/services/context');
  const { clearOldUploads } = await import('@/services/bring-in/uploads');
  try {
    clearOldUploads(appContext(), Date.now());
  } catch (error) {
    if (!(error instanceof FolderTaken)) throw error;
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  }
}
