import { spawn } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';

export interface Measured {
  /** Wall time from call to last byte, milliseconds; the median of the runs. */
  readonly ms: number;
  /** Largest resident memory of the process, MB; the largest of the runs. */
  readonly peakMb: number;
  readonly output: string;
}

/** Runs a Node program whole, several times, and takes the median time. */
export async function measure(args: readonly string[], runs: number): Promise<Measured> {
  const all: Measured[] = [];
  for (let i = 0; i < runs; i += 1) all.push(await once(args));
  const byTime = [...all].sort((a, b) => a.ms - b.ms);
  return {
    ms: byTime[Math.floor(byTime.length / 2)]!.ms,
    peakMb: Math.max(...all.map((m) => m.peakMb)),
    output: all[0]!.output,
  };
}

function once(args: readonly string[]): Promise<Measured> {
  return new Promise((resolve, reject) => {
    const begun = performance.now();
    // GNU time is not on every machine; Linux keeps a process's peak in its own status while it lives.
    const child = spawn(process.execPath, ['--max-old-space-size=16384', ...args], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let peakMb = 0;
    const status = `/proc/${child.pid}/status`;
    const watch = setInterval(() => {
      if (!existsSync(status)) return;
      const kb = /VmHWM:\s+(\d+) kB/.exec(readFileSync(status, 'utf8'))?.[1];
      if (kb) peakMb = Math.max(peakMb, Number(kb) / 1024);
    }, 15);
    const said: Buffer[] = [];
    child.stdout.on('data', (d: Buffer) => said.push(d));
    child.on('error', reject);
    child.on('close', (code) => {
      clearInterval(watch);
      if (code === 0)
        resolve({ ms: performance.now() - begun, peakMb, output: Buffer.concat(said).toString('utf8') });
      else reject(new Error(`${args.join(' ')} ended with ${code}`));
    });
  });
}

/** The exponent b of cost = a · size^b, fitted over the points by least squares on their logarithms. */
export function exponent(points: readonly { readonly size: number; readonly cost: number }[]): number {
  const xs = points.map((p) => Math.log(p.size));
  const ys = points.map((p) => Math.log(p.cost));
  const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
  const [mx, my] = [mean(xs), mean(ys)];
  return (
    xs.reduce((sum, x, i) => sum + (x - mx) * (ys[i]! - my), 0) /
    xs.reduce((sum, x) => sum + (x - mx) ** 2, 0)
  );
}
