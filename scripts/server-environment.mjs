/**
 * How the C library deals with memory of the server (mallopt(3)): by itself it keeps a pool for each thread and hardly
 * gives anything back, so that hundreds of megabytes stay behind after every large job. Elsewhere than on Linux with
 * glibc it means nothing.
 */
export const serverEnvironment = { MALLOC_ARENA_MAX: '2', MALLOC_TRIM_THRESHOLD_: '131072' };
