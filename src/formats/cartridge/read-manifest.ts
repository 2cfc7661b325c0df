import { putEntry } from '@/core/entries';
import { clipTitle, longestTitle } from '@/core/text/clip';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { decodePath, singleSlashes } from '@/core/links/package-paths';
import { removeDotSegments } from '@/core/links/resolve-reference';
import {
  attribute,
  childNamed,
  childrenNamed,
  descendantsNamed,
  elementsOf,
  parseXml,
  textOf,
  writeXml,
  type XmlElement,
} from '../xml/parse-xml';

export interface ManifestItem {
  readonly identifier: string;
  readonly title: string;
  readonly resource: string | null;
  readonly shown: boolean | null;
  readonly staffOnly: boolean;
  readonly children: readonly ManifestItem[];
  readonly extraXml: readonly string[];
}
export interface ManifestResource {
  readonly identifier: string;
  readonly type: string;
  readonly href: string | null;
  readonly files: readonly string[];
  readonly dependencies: readonly string[];
  readonly intendedUse: string | null;
  readonly staffOnly: boolean;
  readonly attributes: Readonly<Record<string, string>>;
  readonly extraXml: readonly string[];
  /** A link that stands in the manifest itself and not in a file of its own (thin cartridge). */
  readonly inline: XmlElement | null;
}
export interface Manifest {
  readonly identifier: string;
  readonly format: 'common-cartridge' | 'content-packaging';
  readonly version: string;
  readonly title: string;
  readonly items: readonly ManifestItem[];
  readonly resources: readonly ManifestResource[];
  readonly metadataXml: readonly string[];
  readonly organizationId: string;
  readonly rootItemId: string | null;
  readonly prefixes: Readonly<Record<string, string>>;
  readonly extraXml: readonly string[];
  readonly notes: readonly IntakeNote[];
}

/**
 * Reads imsmanifest.xml: Common Cartridge 1.0 to 1.4 or Content Packaging 1.1.
 * Missing and repeated identifiers are mended and reported; a document type, a sub-manifest or broken XML is trouble.
 */
export function readManifest(xml: string): Result<Manifest> {
  const parsed = parseXml(xml);
  if (!parsed.ok)
    return bad(
      `manifest-${parsed.trouble.code}`,
      `imsmanifest.xml ${parsed.trouble.message}. Export the package again, or ask whoever made it.`,
    );
  const root = parsed.value;
  if (root.local !== 'manifest')
    return bad(
      'no-manifest-element',
      `imsmanifest.xml begins with <${root.local}> where a manifest is expected; this is no course package.`,
    );
  if (childNamed(root, 'manifest'))
    return bad(
      'sub-manifest',
      'imsmanifest.xml holds a manifest inside the manifest, which is not read; export each part on its own.',
    );
  const reader = new ManifestReader(root);
  const manifest = reader.read();
  const worn = reader.wornIdentifier();
  if (worn)
    return bad(
      'identifier-worn',
      `imsmanifest.xml calls ${worn.times.toLocaleString('en')} ${worn.what}s “${worn.identifier}”, and an identifier may stand once. It was damaged when it was written: export the package again, or ask whoever made it.`,
    );
  return good(manifest);
}

/** An identifier that comes up again is told and given another name; more often than this it is no slip. */
const mostRepeats = 1_000;

class ManifestReader {
  readonly notes: IntakeNote[] = [];
  readonly prefixes: Record<string, string> = {};
  readonly seen = { item: new Set<string>(), resource: new Set<string>() };
  /** How often an identifier came up again, so that a name for the next one is found at once. */
  readonly repeats = { item: new Map<string, number>(), resource: new Map<string, number>() };
  /** `xml:base` and `base` around all resources. */
  base = '';
  itemNumber = 0;

  constructor(readonly root: XmlElement) {}

  read(): Manifest {
    const metadata = childNamed(this.root, 'metadata');
    const resourcesElement = childNamed(this.root, 'resources');
    this.base = attribute(resourcesElement ?? this.root, 'base') ?? '';
    const resources = (resourcesElement ? childrenNamed(resourcesElement, 'resource') : []).map((e, i) =>
      this.resource(e, i),
    );
    const organizations = childNamed(this.root, 'organizations');
    const list = organizations ? childrenNamed(organizations, 'organization') : [];
    const wanted = organizations ? attribute(organizations, 'default') : null;
    const organization = list.find((o) => attribute(o, 'identifier') === wanted) ?? list[0];
    if (list.length > 1)
      this.note(
        'several-organizations',
        `holds ${list.length} outlines; the default one is read`,
        'organizations',
      );
    const top = organization ? childrenNamed(organization, 'item') : [];
    const wrapper = top.length === 1 && top[0] && isUntitledRoot(top[0]) ? top[0] : null;
    const items = (wrapper ? childrenNamed(wrapper, 'item') : top).map((e) => this.item(e));
    const schema = textOf(metadata && childNamed(metadata, 'schema')).trim();
    const cartridge = /common cartridge/i.test(schema) || this.root.uri.includes('imscc');
    return {
      identifier: attribute(this.root, 'identifier') ?? 'manifest',
      format: cartridge ? 'common-cartridge' : 'content-packaging',
      version:
        textOf(metadata && childNamed(metadata, 'schemaversion')).trim() || (cartridge ? '1.0.0' : '1.1'),
      title: this.title(
        titleOf(metadata) || textOf(organization && childNamed(organization, 'title')),
        'metadata',
      ),
      items,
      resources,
      metadataXml: (metadata ? elementsOf(metadata) : [])
        .filter((e) => e.local !== 'schema' && e.local !== 'schemaversion')
        .map((e) => this.raw(e)),
      organizationId: (organization && attribute(organization, 'identifier')) || 'outline',
      rootItemId: wrapper ? (attribute(wrapper, 'identifier') ?? 'outline-root') : null,
      prefixes: this.prefixes,
      extraXml: elementsOf(this.root)
        .filter((e) => !['metadata', 'organizations', 'resources'].includes(e.local))
        .map((e) => this.raw(e)),
      notes: this.notes,
    };
  }

  /** An identifier that stands more often than any slip would explain; null where there is none. */
  wornIdentifier(): {
    readonly what: 'item' | 'resource';
    readonly identifier: string;
    readonly times: number;
  } | null {
    for (const what of ['item', 'resource'] as const)
      for (const [identifier, times] of this.repeats[what])
        if (times > mostRepeats) return { what, identifier: clipTitle(identifier), times };
    return null;
  }

  note(code: string, message: string, where: string): void {
    this.notes.push({ code, message, where });
  }

  /** Writes a fragment with prefixes that the written manifest declares at its root. */
  raw(element: XmlElement): string {
    return writeXml(element, (uri, asked) => {
      if (uri === this.root.uri || uri === '') return '';
      const known = Object.entries(this.prefixes).find(([, u]) => u === uri);
      if (known) return known[0];
      let prefix = asked || 'ext';
      for (let n = 2; Object.hasOwn(this.prefixes, prefix); n += 1) prefix = `${asked || 'ext'}${n}`;
      putEntry(this.prefixes, prefix, uri);
      return prefix;
    });
  }

  identifier(element: XmlElement, fallback: string, what: 'item' | 'resource'): string {
    const given = attribute(element, 'identifier');
    if (!given) {
      this.note(
        'missing-identifier',
        `${what} without an identifier; it is called ${fallback}`,
        `imsmanifest.xml, line ${element.line}`,
      );
      return fallback;
    }
    const seen = this.seen[what];
    let name = given;
    if (seen.has(name)) {
      let n = this.repeats[what].get(given) ?? 1;
      while (seen.has(name)) name = `${given}~${(n += 1)}`;
      this.repeats[what].set(given, n);
      this.note(
        'identifier-twice',
        `the identifier ${given} stands twice; the second is called ${name}`,
        `imsmanifest.xml, line ${element.line}`,
      );
    }
    seen.add(name);
    return name;
  }

  /** A title on one line; one that is longer than any title is cut, and told. */
  private title(text: string, where: string): string {
    const title = oneLine(text);
    const clipped = clipTitle(title);
    if (clipped !== title)
      this.note(
        'title-cut',
        `has a title of ${title.length.toLocaleString('en')} characters; it is cut after ${longestTitle}`,
        where,
      );
    return clipped;
  }

  item(element: XmlElement): ManifestItem {
    this.itemNumber += 1;
    const identifier = this.identifier(element, `item~${this.itemNumber}`, 'item');
    const visible = attribute(element, 'isvisible');
    const title = this.title(textOf(childNamed(element, 'title')), identifier);
    const extensions = othersThan(element, itemParts);
    return {
      identifier,
      title: title || '(untitled)',
      resource: attribute(element, 'identifierref') || null,
      shown: visible === null ? null : !/^(false|0)$/i.test(visible.trim()),
      staffOnly: extensions.some(isForInstructors),
      children: childrenNamed(element, 'item').map((e) => this.item(e)),
      extraXml: extensions.length ? extensions.map((e) => this.raw(e)) : none,
    };
  }

  resource(element: XmlElement, index: number): ManifestResource {
    const base = this.base + (xmlBase(element) ?? '');
    const path = (href: string | null) => (href === null ? null : packagePath(base + href));
    const extensions = othersThan(element, resourceParts);
    const dependencies = childrenNamed(element, 'dependency');
    const attributes: Record<string, string> = {};
    for (const a of element.attributes)
      if (a.prefix === '' && !resourceAttributes.has(a.local)) putEntry(attributes, a.local, a.value);
    return {
      identifier: this.identifier(element, `resource~${index + 1}`, 'resource'),
      type: attribute(element, 'type') ?? '',
      href: path(attribute(element, 'href')),
      files: childrenNamed(element, 'file')
        .map((f) => path(attribute(f, 'href')) ?? '')
        .filter((p) => p !== ''),
      dependencies: dependencies.length
        ? dependencies.map((d) => attribute(d, 'identifierref') ?? '').filter((d) => d !== '')
        : none,
      intendedUse: attribute(element, 'intendeduse'),
      staffOnly: extensions.some(isForInstructors),
      attributes: Object.keys(attributes).length ? attributes : noAttributes,
      extraXml: extensions.length ? extensions.map((e) => this.raw(e)) : none,
      inline: extensions.find((e) => e.local === 'webLink' || e.local === 'cartridge_basiclti_link') ?? null,
    };
  }
}

/** Most items and resources have no such parts: tens of thousands share one empty list. */
const none: readonly never[] = [];
const noAttributes: Readonly<Record<string, string>> = {};
const itemParts: ReadonlySet<string> = new Set(['title', 'item']);
const resourceParts: ReadonlySet<string> = new Set(['file', 'dependency']);
const resourceAttributes: ReadonlySet<string> = new Set([
  'identifier',
  'type',
  'href',
  'intendeduse',
  'schema',
  'variant',
]);
const othersThan = (element: XmlElement, parts: ReadonlySet<string>): XmlElement[] =>
  element.children.filter((c): c is XmlElement => typeof c !== 'string' && !parts.has(c.local));
const oneLine = (text: string): string =>
  /^ |\s\s|[^\S ]| $/.test(text) ? text.replace(/\s+/g, ' ').trim() : text;

function xmlBase(element: XmlElement): string | null {
  for (const one of element.attributes) if (one.prefix === 'xml' && one.local === 'base') return one.value;
  return null;
}

/** A path without anything to be taken out or decoded. */
const plainPath = /^[\w-]+(?:\.[\w-]+)*(?:\/[\w-]+(?:\.[\w-]+)*)*$/;

/** The path that a manifest's href names; one that leaves the package keeps its spelling and so is found nowhere. */
function packagePath(href: string): string {
  if (plainPath.test(href)) return href;
  const [plain = ''] = href.replace(/\\/g, '/').split(/[?#]/);
  if (/^[a-z][a-z0-9+.-]*:|^\//i.test(plain)) return plain;
  const folders = decodePath(plain).split('/');
  let depth = 0;
  for (const part of folders) {
    depth += levelsOf(part);
    if (depth < 0) return plain;
  }
  return singleSlashes(removeDotSegments(`/${plain}`)).slice(1);
}

/** The cartridge's root holds the outline and is no item of it, also where it holds nothing (Common Cartridge 1.3, 4.6: from memory). */
const isUntitledRoot = (element: XmlElement): boolean =>
  !textOf(childNamed(element, 'title')).trim() && !attribute(element, 'identifierref');

/** LOM 1.0 (IEEE 1484.12.3): educational / intendedEndUserRole with the value Instructor and no Learner or Mentor. */
function isForInstructors(element: XmlElement): boolean {
  if (element.local !== 'metadata') return false;
  const roles: string[] = [];
  for (const role of descendantsNamed(element, 'intendedEndUserRole'))
    roles.push(textOf(childNamed(role, 'value')).trim().toLowerCase());
  return roles.length > 0 && roles.every((r) => r === 'instructor' || r === 'teacher');
}

function titleOf(metadata: XmlElement | undefined): string {
  if (!metadata) return '';
  for (const general of descendantsNamed(metadata, 'general')) {
    const title = childNamed(general, 'title');
    const text = textOf(title && (childNamed(title, 'string') ?? childNamed(title, 'langstring') ?? title))
      .replace(/\s+/g, ' ')
      .trim();
    if (text) return text;
  }
  return '';
}

/** How far one part of a path leads down. */
function levelsOf(part: string): number {
  if (part === '..') return -1;
  return part === '.' || part === '' ? 0 : 1;
}
