import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder for what is needed on the way only. It comes into being when it is first asked for. */
export class ScratchFolder {
  private folder: string | null = null;

  /** `onFirstUse` is called just before the folder is there: from then on there is something to take away. */
  constructor(private readonly onFirstUse: () => void = () => undefined) {}

  path(name: string): string {
    if (this.folder === null) {
      this.onFirstUse();
      this.folder = mkdtempSync(join(tmpdir(), 'currycomb-clean-'));
    }
    return join(this.folder, name);
  }

  remove(): void {
    if (this.folder !== null) rmSync(this.folder, { recursive: true, force: true });
    this.folder = null;
  }
}
