import type { Shell, ShellFile } from '@/core/shell/model';
import { spellBytes } from '@/core/text/spell-bytes';
import { incomingKey } from './incoming';
import { heldAgainst, isDoubled, isNew, type Held, type Verdict } from './verdict';

interface Bytes {
  readonly path: string;
  readonly sha256: string;
  readonly bytes: number;
}

/** Holds files against those that are here: equal bytes at whatever path, else another file under the same path. */
export function heldFiles(shell: Shell, source: Shell): Held[] {
  const byPath = new Map<string, Bytes>([...shell.files, ...shell.entries].map((file) => [file.path, file]));
  const bySum = new Map<string, ShellFile>();
  for (const file of shell.files) if (!bySum.has(file.sha256)) bySum.set(file.sha256, file);
  const firsts = new Map<string, string>();
  const verdictOn = (file: ShellFile): Verdict => {
    const [namesake, equal] = [byPath.get(file.path), bySum.get(file.sha256)];
    const first = file.bytes > 0 ? firsts.get(file.sha256) : undefined;
    if (first === undefined) firsts.set(file.sha256, file.path);
    if (namesake?.sha256 === file.sha256) return heldAgainst(titled(namesake), []);
    if (equal && file.bytes > 0) return heldAgainst(titled(equal), []);
    if (first !== undefined) return { ...isDoubled, firstCopy: incomingKey('file', first) };
    return namesake ? heldAgainst(titled(namesake), [sizeDifference(namesake, file)]) : isNew;
  };
  return source.files.map((file) => ({
    key: incomingKey('file', file.path),
    type: 'file',
    ref: file.path,
    kind: file.mediaType,
    title: file.path,
    parent: null,
    ...verdictOn(file),
  }));
}

const titled = ({ path }: Bytes) => ({ ref: path, title: path });

const sizeDifference = (ours: Bytes, theirs: Bytes): string =>
  ours.bytes === theirs.bytes
    ? 'other bytes under the same name'
    : `${spellBytes(theirs.bytes)} instead of ${spellBytes(ours.bytes)} under the same name`;
