import { randomUUID } from 'node:crypto';
import { copyFileSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { Finding } from '@/core/checks/finding/finding';
import type { WrittenStep } from '@/core/plan/written-step';
import type { LocalDate } from '@/core/dates/local-date';
import type { Result } from '@/core/shell/result';
import { bringInSchema, orderBringIn } from '@/services/do/bring-in/order-bring-in';
import { uploadsDir } from '@/services/do/bring-in/uploads';
import { orderComb } from '@/services/do/comb/order-comb';
import { wholeFindings } from '@/services/keep/findings/kept-findings';
import type { Context } from '@/services/keep/desks/context';
import { changePlan } from '@/services/do/decide/change-plan';
import { openContext } from '@/services/wire/folder/open-context';
import type { JobView } from '@/services/keep/jobs/job-queue';
import { courseOf } from '@/services/keep/rows/course';
import { findShell, type CurrentShell } from '@/services/keep/shells/current-shell';

export const today = '2027-01-04' as LocalDate;
const workers = join(process.cwd(), 'dist/workers');
const migrationsDir = join(process.cwd(), 'src/store/migrations');

/** A data folder of its own with the real database and the real threads, for the use cases without the web around them. */
export class DataFolder {
  readonly folder = mkdtempSync(join(tmpdir(), 'currycomb-services-'));
  readonly dataDir = join(this.folder, 'data');
  context: Context;

  constructor() {
    if (!existsSync(join(workers, 'job.mjs')))
      throw new Error('Build the workers first: npm run build:workers');
    this.context = this.open();
  }

  open(over: { readonly workers?: string } = {}): Context {
    return openContext({ dataDir: this.dataDir, migrationsDir, workers, ...over });
  }

  async close(): Promise<void> {
    await this.context.close();
    rmSync(this.folder, { recursive: true, force: true });
  }

  /** Ends the process, as far as the folder is concerned, and opens it anew. */
  async restart(): Promise<void> {
    await this.context.close();
    this.context = this.open();
  }

  now(id: string): CurrentShell {
    const shell = findShell(this.context, id);
    if (!shell) throw new Error(`no shell ${id}`);
    return shell;
  }

  findings(id: string, state: 'open' | 'left-be' = 'open'): Finding[] {
    const shell = this.now(id);
    return shell.audit ? wholeFindings(this.context.db, shell.audit.id, courseOf(shell.row), state) : [];
  }

  upload(path: string): { id: string; name: string } {
    const id = randomUUID();
    copyFileSync(path, join(uploadsDir(this.context), id));
    return { id, name: path.split('/').at(-1) ?? '' };
  }

  private uploadText(name: string, text: string): { id: string; name: string } {
    const path = join(this.folder, name);
    writeFileSync(path, text);
    return this.upload(path);
  }

  async ended(jobId: string): Promise<JobView> {
    const view = await this.context.jobs.ended(jobId);
    if (!view) throw new Error(`no job ${jobId}`);
    return view;
  }

  async idle(): Promise<void> {
    while (!this.context.jobs.idle) await new Promise((resolve) => setTimeout(resolve, 5));
  }

  /** What an ordered job led to; throws with its trouble where it failed. */
  async job<T = Record<string, string>>(ordered: Result<{ jobId: string }>): Promise<T> {
    const view = await this.ended(must(ordered).jobId);
    if (view.state !== 'done') throw new Error(view.trouble ?? view.state);
    await this.idle();
    return JSON.parse(view.result ?? 'null') as T;
  }

  /** Brings a composed shell in, with a status sheet where one is given. */
  async bringIn(build: (c: ShellComposer) => void, code = 'HYD 1', statusSheet?: string): Promise<string> {
    const composer = new ShellComposer();
    build(composer);
    const path = join(this.folder, `${randomUUID()}.imscc`);
    await composer.write(path);
    const form = {
      package: this.upload(path),
      status: statusSheet === undefined ? undefined : this.uploadText('status.csv', statusSheet),
      code,
      termStart: '2027-01-11',
      termEnd: '2027-05-07',
    };
    const { shellId } = await this.job(orderBringIn(this.context, bringInSchema.parse(form), today));
    return shellId ?? '';
  }

  /** Plans a step by hand; throws with its trouble where it can’t be made. */
  async plan(id: string, step: Omit<WrittenStep, 'from'>): Promise<void> {
    must(await changePlan(this.context, id, 'new-step', { ...step, from: 'hand' }));
  }

  async comb(id: string): Promise<void> {
    await this.job({ ok: true, value: { jobId: orderComb(this.context, this.now(id)) } });
  }
}

export function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
}
