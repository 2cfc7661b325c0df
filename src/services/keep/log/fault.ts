/** What of an error may be written down: what it is and where it came from. Its message may quote a shell. */
export interface Fault {
  readonly name: string;
  readonly code: string | null;
  /** Places in the code, innermost first. */
  readonly frames: readonly string[];
}

const mostFrames = 8;

export function faultOf(error: unknown): Fault {
  if (!(error instanceof Error)) return { name: typeof error, code: null, frames: [] };
  const { code } = error as { code?: unknown };
  const frames = (error.stack ?? '')
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line.startsWith('at '));
  return {
    name: error.name,
    code: typeof code === 'string' ? code : null,
    frames: frames.slice(0, mostFrames),
  };
}
