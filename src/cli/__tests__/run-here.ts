import { runCommandLine } from '../main';

/** Runs the command line in this process and takes down what it says. */
export async function runHere(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  let out = '';
  let err = '';
  const stdout = jest
    .spyOn(process.stdout, 'write')
    .mockImplementation((text) => ((out += String(text)), true));
  const stderr = jest
    .spyOn(process.stderr, 'write')
    .mockImplementation((text) => ((err += String(text)), true));
  try {
    return { code: await runCommandLine(args), out, err };
  } finally {
    stdout.mockRestore();
    stderr.mockRestore();
  }
}
