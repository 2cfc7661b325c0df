import { entryOf } from '@/core/entries';
import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { nameOfPath, pathsByName } from '@/core/links/names';
import type { AddressReader } from '@/core/links/package-paths';
import { scansOfContent } from '@/core/links/scans';
import type { Content } from '@/core/shell/model';
import { plural } from '@/core/text/plural';
import { defineCheck } from '@/core/checks/check/check';
import { hostOf, isHostOf } from './hosts';

export const oldShellLink = defineCheck({
  id: 'outdated.old-shell-link',
  title: 'Links into another shell',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['links'],
  options: z.object({}),
  messages: {
    one: '“{title}” links to {address}, in another shell',
    many: '“{title}” has {count} into another shell',
  },
  things: ['item that links into another shell', 'items that link into another shell'],
  page: {
    means:
      'A link leads to a campus host of the house rules, other than an address that all shells share. Inside one’s own shell links are relative.',
    why: 'You can open it, since you taught that shell. Students get “access denied”.',
    example: 'Week 3 links to the reading in the shell of Autumn 2025.',
    remedy:
      'Leads the link to the file or page of that name here, where there is just one. Otherwise yours to choose.',
    notWhen: 'The house rules name no campus host, or list the address as shared.',
  },
  notApplicable: (shell) => (shell.contents.length ? null : 'there is nothing that could hold a link'),
  *find({ shell, rules, facts }) {
    if (!rules.campusHosts.length) return;
    const isCampus = (address: string) => {
      const host = hostOf(address);
      return (
        host !== null &&
        rules.campusHosts.some((h) => isHostOf(host, h)) &&
        !rules.sharedAddresses.some((s) => address.trim().toLowerCase().startsWith(s.trim().toLowerCase()))
      );
    };
    const byName = pathsByName(shell);
    const items = new Map<string, (typeof shell.items)[number]>();
    for (const item of shell.items)
      if (item.content && !items.has(item.content)) items.set(item.content, item);
    for (const content of shell.contents) {
      const item = items.get(content.id);
      if (!item) continue;
      const leading = addressesOf(content, facts.links.read).filter(({ address }) => isCampus(address));
      const written = [...new Set(leading.map(({ address }) => address))];
      if (!written.length) continue;
      const here = Object.fromEntries(
        leading.flatMap(({ address, isAsWritten }) => {
          const target = isAsWritten && content.textPath ? targetHere(address, byName) : null;
          return target === null ? [] : [[address, target]];
        }),
      );
      yield {
        message:
          written.length === 1
            ? { id: 'one', params: { title: item.title, address: elementAt(written, 0) } }
            : { id: 'many', params: { title: item.title, count: plural(written.length, 'link') } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: written.slice(0, 12).map((w) => ({
          label: entryOf(here, w) ? `Stands here as ${entryOf(here, w)}` : 'Leads to',
          value: w,
          where: item.ref,
        })),
        remedy: Object.keys(here).length
          ? { action: 'relink', targets: [item.ref], params: { addresses: here }, kind: 'judgement' }
          : null,
        batch: Object.keys(here).length ? 'stands here' : '',
      };
    }
  },
});

interface LeadingOut {
  readonly address: string;
  /** Written so in the text; not so where only the page's base makes it an address outside. */
  readonly isAsWritten: boolean;
}

/** The addresses of a content as they are meant, which of a web link is where it leads. */
function addressesOf(content: Content, read: AddressReader): LeadingOut[] {
  const { kind, target, textPath } = content;
  const ownTarget = kind === 'web-link' && target ? [{ address: target, isAsWritten: true }] : [];
  const written = scansOfContent(content).flatMap((scan) =>
    scan.addresses.map(({ value }): LeadingOut => {
      const meaning = scan.base === null || textPath === null ? null : read(value, textPath, scan.base);
      if (meaning?.to !== 'outside') return { address: value, isAsWritten: true };
      return { address: meaning.url, isAsWritten: meaning.url === value };
    }),
  );
  return [...written, ...ownTarget];
}

/** The one file or page here that has the name at the end of an address. */
function targetHere(address: string, byName: ReadonlyMap<string, readonly string[]>): string | null {
  let name: string;
  try {
    name = nameOfPath(decodeURIComponent(new URL(address).pathname));
  } catch {
    return null;
  }
  const same = name.includes('.') ? byName.get(name) : undefined;
  return same?.length === 1 ? elementAt(same, 0) : null;
}
