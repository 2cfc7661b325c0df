import { relative, sep } from 'node:path';
import { watch, type FSWatcher } from 'chokidar';
import type { Context } from '@/services/keep/desks/context';
import { faultOf } from '@/services/keep/log/fault';
import { log } from '@/services/keep/log/log';
import { noteTrouble } from '@/services/keep/log/troubles';
import { deepest, isWanted } from './folder-files';
import { takeFromFolder, watchedPath } from './watched-folder';

export interface WatcherPace {
  /** A file that has not grown for so long is whole, in milliseconds. */
  readonly stable: number;
  /** So long nothing must have come before packages are taken: side files may follow their package. */
  readonly quiet: number;
}
const usualPace: WatcherPace = { stable: 2_000, quiet: 3_000 };
/** Watches the folder that somebody named, and brings in what comes into it. */
export class FolderWatcher {
  private watcher: FSWatcher | null = null;
  private timer: NodeJS.Timeout | null = null;
  private readonly whole = new Set<string>();
  private isTaking = false;

  constructor(
    private readonly context: Context,
    private readonly pace: WatcherPace = usualPace,
  ) {}

  /** Watches what is named now instead of what was before. */
  async begin(): Promise<void> {
    await this.end();
    const folder = watchedPath(this.context);
    if (folder === null) return;
    this.watcher = watch(folder, {
      depth: deepest,
      followSymlinks: false,
      ignored: (path, stats) => stats?.isFile() === true && !isWanted(path),
      persistent: false,
      awaitWriteFinish: { stabilityThreshold: this.pace.stable, pollInterval: 200 },
    });
    const seen = (path: string, isThere: boolean) => {
      if (isThere) this.whole.add(path);
      else this.whole.delete(path);
      this.lookSoon(folder);
    };
    this.watcher
      .on('add', (path) => seen(path, true))
      .on('change', (path) => seen(path, true))
      .on('unlink', (path) => seen(path, false))
      .on('error', (error) => this.tell(error));
  }

  async end(): Promise<void> {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.whole.clear();
    const { watcher } = this;
    this.watcher = null;
    await watcher?.close();
  }

  private lookSoon(folder: string): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.take(folder), this.pace.quiet).unref();
  }

  private async take(folder: string): Promise<void> {
    // While packages are copied others may come: they are looked at afterwards.
    if (this.isTaking) return this.lookSoon(folder);
    this.isTaking = true;
    try {
      const paths = [...this.whole].map((path) => relative(folder, path).replaceAll(sep, '/'));
      const taken = await takeFromFolder(this.context, folder, paths);
      if (taken > 0) log.info({ taken }, 'packages taken from the watched folder');
    } catch (error) {
      this.tell(error);
    } finally {
      this.isTaking = false;
    }
  }

  private tell(error: unknown): void {
    const sentence = 'The watched folder could not be looked at; is it still there?';
    noteTrouble({ during: 'the watched folder', id: '', sentence, fault: faultOf(error) });
  }
}

const holder = globalThis as typeof globalThis & { currycombWatcher?: FolderWatcher };

/** The one watcher of the web process. */
export const appWatcher = (context: Context): FolderWatcher =>
  (holder.currycombWatcher ??= new FolderWatcher(context));
