import { elementAt, valueFor } from '@/core/sure';
import { blankItem } from '@/core/shell/blank-item';
import { emptyShell } from '@/core/shell/empty-shell';
import type {
  Content,
  ContentKind,
  Item,
  PackageEntry,
  QuestionBank,
  Shell,
  ShellFile,
} from '@/core/shell/model';
import {
  contentId,
  itemRef,
  outsideRef,
  shellRef,
  type ContentId,
  type FilePath,
  type ItemRef,
} from '@/core/refs/refs';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { indexPaths, type PathIndex } from '@/core/links/package-paths';
import type { Archive } from '../archive/read-archive';
import { spellBytes } from '@/core/text/spell-bytes';
import { decodeText } from '../archive/decode-text';
import { defaultLimits } from '../archive/limits';
import { readBody, readBodyElement } from './read-body';
import { readManifest, type Manifest, type ManifestItem, type ManifestResource } from './read-manifest';
import {
  readEntries,
  stateFilePath,
  stateResourceType,
  type EntryInfo,
  type ReadOptions,
} from './read-entries';
import { contentKindOf, mediaTypeOf } from './resource-types';

export interface CartridgeReading {
  readonly shell: Shell;
  readonly notes: readonly IntakeNote[];
  /** Items without content and children whose kind the package leaves open: module or heading. */
  readonly openKinds: ReadonlySet<ItemRef>;
  /** The bytes of our own state file, where the package has one. */
  readonly stateFile: Buffer | null;
}
/** Reads a package into a shell. Whatever is not understood is carried along and named in the notes. */
export async function readCartridge(
  archive: Archive,
  options: ReadOptions = {},
): Promise<Result<CartridgeReading>> {
  const manifestEntry = archive.entries.find((e) => e.path === 'imsmanifest.xml');
  if (!manifestEntry) {
    const nested = archive.entries.find((e) => e.path.endsWith('/imsmanifest.xml'));
    return bad(
      'no-manifest',
      nested
        ? `The package has its imsmanifest.xml in a folder (${nested.path}) and not at the top; zip the contents of that folder.`
        : 'The package has no imsmanifest.xml, so it is no course package; export the course as a Common Cartridge.',
    );
  }
  if (manifestEntry.bytes > defaultLimits.manifestBytes)
    return bad(
      'manifest-too-large',
      `imsmanifest.xml is larger than ${spellBytes(defaultLimits.manifestBytes)}; no course needs that. Export the package again, or ask whoever made it.`,
    );
  const manifestBytes = archive.read(manifestEntry.path);
  if (!manifestBytes.ok) return manifestBytes;
  const manifest = readManifest(decodeText(manifestBytes.value).text);
  if (!manifest.ok) return manifest;
  const notes: IntakeNote[] = [...archive.notes, ...manifest.value.notes];
  const entries = await readEntries(archive, options, notes);
  return good(new CartridgeBuilder(manifest.value, entries, notes, archive).build());
}

class CartridgeBuilder {
  readonly items: Item[] = [];
  readonly contents: Content[] = [];
  readonly files: ShellFile[] = [];
  readonly banks: QuestionBank[] = [];
  readonly openKinds = new Set<ItemRef>();
  readonly byId = new Map<ContentId, Content>();
  readonly filePaths = new Set<FilePath>();
  readonly paths: PathIndex;

  constructor(
    readonly manifest: Manifest,
    readonly entries: Map<FilePath, EntryInfo>,
    readonly notes: IntakeNote[],
    readonly archive: Archive,
  ) {
    this.paths = indexPaths(entries.keys());
  }

  build(): CartridgeReading {
    const state = this.archive.entries.some((e) => e.path === stateFilePath)
      ? this.archive.read(stateFilePath)
      : null;
    for (const resource of this.manifest.resources)
      if (resource.type !== stateResourceType) this.addResource(resource);
    for (const content of this.contents)
      for (const dependency of content.dependencies)
        if (!this.byId.has(dependency))
          this.note(
            'missing-resource',
            `depends on the resource ${dependency}, which is not in the manifest`,
            content.id,
          );
    this.addItems(this.manifest.items, null);
    this.addOutside();
    const { manifest } = this;
    const shell: Shell = {
      ...emptyShell,
      ref: shellRef(manifest.identifier),
      title: manifest.title,
      items: this.items,
      contents: this.contents,
      files: this.files,
      entries: this.otherEntries(),
      banks: this.banks,
      frame: {
        format: manifest.format,
        version: manifest.version,
        title: manifest.title,
        metadataXml: manifest.metadataXml,
        organizationId: manifest.organizationId,
        rootItemId: manifest.rootItemId,
        prefixes: manifest.prefixes,
        extraXml: manifest.extraXml,
      },
    };
    return { shell, notes: this.notes, openKinds: this.openKinds, stateFile: state?.ok ? state.value : null };
  }

  note(code: string, message: string, where: string): void {
    this.notes.push({ code, message, where });
  }

  /** The package's own spelling of a path that the manifest names. */
  locate(path: string, resource: string): FilePath | null {
    const found = this.paths.find(path);
    if (!found)
      this.note(
        'missing-file',
        `the manifest names the file “${path}”, which is not in the package`,
        resource,
      );
    return found;
  }

  addResource(resource: ManifestResource): void {
    const id = contentId(resource.identifier);
    const kind = contentKindOf(resource.type, resource.href ?? resource.files[0] ?? null);
    const named = [...new Set([...(resource.href === null ? [] : [resource.href]), ...resource.files])];
    const present = named.map((p) => this.locate(p, resource.identifier)).filter((p) => p !== null);
    const files = [...new Set(present)];
    const href = resource.href === null ? null : this.paths.find(resource.href);
    const main = href ?? files[0] ?? null;
    const body =
      main === null && resource.inline
        ? this.inlineBody(kind, resource)
        : this.body(kind, main, resource.identifier);
    const content: Content = {
      id,
      kind,
      type: resource.type,
      href,
      files,
      dependencies: resource.dependencies.length ? [...new Set(resource.dependencies)].map(contentId) : none,
      intendedUse: resource.intendedUse,
      staffOnly: resource.staffOnly,
      texts: body?.texts ?? none,
      textPath: body && body.texts.length > 0 ? main : null,
      target: body?.target ?? null,
      title: body?.title ?? '',
      points: body?.points ?? null,
      answerKey: body?.answerKey ?? '',
      questions: body?.questions ?? none,
      bankIdent: body?.bankIdent ?? null,
      bankRefs: body?.bankRefs ?? none,
      attributes: resource.attributes,
      extraXml: resource.extraXml,
    };
    this.contents.push(content);
    this.byId.set(id, content);
    if (kind === 'other')
      this.note(
        'carried-through',
        `a resource of the type “${resource.type}” is not read; it is kept as it is and counts as in use`,
        resource.identifier,
      );
    if (kind === 'bank') this.banks.push({ ref: outsideRef(id), title: content.title || id, content: id });
    if (resource.type.toLowerCase() === 'webcontent')
      for (const path of files) if (!(kind === 'page' && path === main)) this.addFile(path, id);
  }

  addFile(path: FilePath, content: ContentId): void {
    const info = valueFor(this.entries, path);
    if (this.filePaths.has(path)) return;
    this.filePaths.add(path);
    const mediaType = mediaTypeOf(path);
    const text = /^(text\/(html|css)|application\/xhtml\+xml|image\/svg\+xml)$/.test(mediaType)
      ? info.text
      : null;
    this.files.push({
      path,
      content,
      bytes: info.bytes,
      sha256: info.sha256,
      mediaType,
      readableBy: null,
      created: null,
      modified: null,
      batch: null,
      text,
      packed: info.packed,
    });
  }

  body(kind: ContentKind, main: FilePath | null, resource: string) {
    if (main === null || kind === 'file' || kind === 'other') return null;
    const text = this.entries.get(main)?.text ?? null;
    if (text === null) return null;
    const body = readBody(kind, text);
    if (!body.ok)
      this.note(
        `body-${body.trouble.code}`,
        `${main} ${body.trouble.message}; it is kept as it is`,
        resource,
      );
    return body.ok ? body.value : null;
  }

  inlineBody(kind: ContentKind, resource: ManifestResource) {
    const body =
      resource.inline && (kind === 'web-link' || kind === 'tool-link')
        ? readBodyElement(kind, resource.inline)
        : null;
    if (body && !body.ok)
      this.note(
        `body-${body.trouble.code}`,
        `the link ${body.trouble.message}; it is kept as it is`,
        resource.identifier,
      );
    return body?.ok ? body.value : null;
  }

  addItems(items: readonly ManifestItem[], parent: ItemRef | null): void {
    const openKinds = openKindsOf(items);
    items.forEach((one, index) => {
      const content = one.resource === null ? null : (this.byId.get(contentId(one.resource)) ?? null);
      if (one.resource !== null && !content)
        this.note(
          'missing-resource',
          `shows the resource ${one.resource}, which is not in the manifest`,
          one.identifier,
        );
      const ref = itemRef(one.identifier);
      const childless = one.children.length === 0;
      if (!content && childless) this.openKinds.add(ref);
      const leafKind = content ? itemKindOf(content.kind) : elementAt(openKinds, index);
      this.items.push({
        ...blankItem,
        ref,
        kind: childless ? leafKind : 'module',
        title: one.title,
        placed: true,
        parent,
        content: content?.id ?? null,
        shown: one.shown,
        staffOnly: one.staffOnly || (content?.staffOnly ?? false),
        points: null,
        extraXml: one.extraXml,
      });
      this.addItems(one.children, ref);
    });
  }

  addOutside(): void {
    const placed = new Set(this.items.map((i) => i.content));
    for (const content of this.contents) {
      if (
        placed.has(content.id) ||
        content.kind === 'file' ||
        content.kind === 'bank' ||
        content.kind === 'other'
      )
        continue;
      const name = content.href?.slice(content.href.lastIndexOf('/') + 1) ?? content.id;
      this.items.push({
        ...blankItem,
        ref: outsideRef(content.id),
        kind: itemKindOf(content.kind),
        title: content.title || name,
        content: content.id,
        staffOnly: content.staffOnly,
      });
    }
  }

  otherEntries(): PackageEntry[] {
    const fileNames = new Set(this.files.map((f) => f.path));
    const listed = new Set(this.contents.flatMap((c) => c.files));
    const mainFiles = new Set(
      this.contents
        .filter((c) => c.textPath || c.target !== null)
        .map((c) => c.textPath ?? c.href ?? c.files[0]),
    );
    const entries: PackageEntry[] = [];
    for (const [path, info] of this.entries) {
      if (fileNames.has(path) || path === 'imsmanifest.xml' || path === stateFilePath) continue;
      if (!listed.has(path))
        this.note(
          'not-in-manifest',
          'is in the package and not in its manifest; it is kept as it is and counts as in use',
          path,
        );
      // A text that a reader understood lives in its content; only what nobody read is searched for links here.
      const unread = listed.has(path) ? !mainFiles.has(path) : !isPlainSchema(path);
      entries.push({ path, bytes: info.bytes, sha256: info.sha256, text: unread ? info.text : null });
    }
    return entries;
  }
}

/** What each bare title would be: a heading where the next sibling that is more than that has content of its own, else a module. */
function openKindsOf(siblings: readonly ManifestItem[]): ('heading' | 'module')[] {
  const kinds: ('heading' | 'module')[] = [];
  let next: 'heading' | 'module' = 'module';
  for (let i = siblings.length - 1; i >= 0; i -= 1) {
    kinds[i] = next;
    const sibling = elementAt(siblings, i);
    if (sibling.resource !== null) next = 'heading';
    else if (sibling.children.length > 0) next = 'module';
  }
  return kinds;
}

const none: readonly never[] = [];

const isPlainSchema = (path: string): boolean => /\.(xsd|dtd)$/i.test(path);

function itemKindOf(kind: ContentKind): Item['kind'] {
  return kind === 'bank' ? 'other' : kind;
}
