import { elementAt } from '@/core/sure';
import { z } from 'zod';
import type { BrokenAddress, NodeKey } from '@/core/links/graph';
import { nameOfPath, pathsByName } from '@/core/links/names';
import { defineCheck } from '@/core/checks/check/check';
import type { SubjectRef } from '@/core/checks/finding/finding';
import { nearest } from '@/core/checks/rules/house-rules';

export const brokenLink = defineCheck({
  id: 'orphan.broken-link',
  title: 'Broken links',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['links'],
  options: z.object({}),
  messages: { link: '“{title}” points at “{asked}”, which is not in the shell' },
  things: ['broken link', 'broken links'],
  counts: 'findings',
  page: {
    means: 'A link, picture or style inside the shell names a target that the shell does not have.',
    why: 'Students see a missing picture or an error page, and stop trusting the rest.',
    example: 'A migration put all files into one folder, and the pages still ask for images/map.png.',
    remedy:
      'Leads the link to the one file of that name, where there is just one. Otherwise takes the link out; its words stay.',
    notWhen:
      'Only the place inside the page is missing (#fragment), or the address begins with a slash or leaves the shell.',
  },
  notApplicable: (shell) => (shell.contents.length ? null : 'there is nothing that could hold a link'),
  *find({ shell, facts }) {
    const owners = new Map<NodeKey, { subject: SubjectRef; title: string }>();
    for (const item of shell.items)
      if (item.content && !owners.has(`content:${item.content}`))
        owners.set(`content:${item.content}`, {
          subject: { type: 'item', ref: item.ref },
          title: item.title,
        });
    for (const bank of shell.banks)
      if (bank.content)
        owners.set(`content:${bank.content}`, {
          subject: { type: 'bank', ref: bank.ref },
          title: bank.title,
        });
    for (const file of shell.files)
      owners.set(`file:${file.path}`, { subject: { type: 'file', ref: file.path }, title: file.path });
    const byName = pathsByName(shell);
    const names = [...byName.keys()];
    // Many pages ask for one missing file.
    const guesses = new Map<string, string | null>();
    const guessOf = (name: string) => {
      const known = guesses.get(name);
      if (known !== undefined) return known;
      const guess = nearestName(name, names, byName);
      guesses.set(name, guess);
      return guess;
    };
    for (const { broken, written } of asksOf(facts.links.broken)) {
      const owner = owners.get(broken.from);
      if (!owner || broken.asked.endsWith('/') || broken.asked === '') continue;
      const same = byName.get(nameOfPath(broken.asked)) ?? [];
      const found = same.length === 1 ? elementAt(same, 0) : null;
      const guess = found ?? guessOf(nameOfPath(broken.asked));
      const targets = [owner.subject.ref];
      yield {
        message: { id: 'link', params: { title: owner.title, asked: broken.asked } },
        subjects: [owner.subject],
        evidence: [
          { label: 'Asks for', value: broken.asked, where: owner.subject.ref },
          { label: 'Stands in', value: `${broken.attribute}, as ${written[0]}` },
          {
            label: 'Nearest existing name',
            value: guess ?? 'nothing like it',
            ...(guess ? { where: guess } : {}),
          },
        ],
        remedy: found
          ? {
              action: 'relink',
              targets,
              params: { addresses: Object.fromEntries(written.map((w) => [w, found])) },
              kind: 'judgement',
            }
          : { action: 'unlink', targets, params: { drop: [...new Set(written)] }, kind: 'judgement' },
        about: broken.asked,
        batch: found ? 'elsewhere' : 'missing',
      };
    }
  },
});

/** What one text asks for and does not get, with every spelling of it there. */
interface Ask {
  readonly broken: BrokenAddress;
  readonly written: string[];
}

function asksOf(addresses: readonly BrokenAddress[]): Iterable<Ask> {
  const asks = new Map<string, Ask>();
  for (const broken of addresses) {
    const key = `${broken.from} ${broken.asked}`;
    const known = asks.get(key);
    if (known) known.written.push(broken.written);
    else asks.set(key, { broken, written: [broken.written] });
  }
  return asks.values();
}

/** The name that differs least, where it shares its beginning or its ending; anything else would be a guess. */
function nearestName(
  asked: string,
  names: readonly string[],
  byName: ReadonlyMap<string, readonly string[]>,
): string | null {
  const ending = asked.slice(asked.lastIndexOf('.'));
  const like = names.filter(
    (n) => Math.abs(n.length - asked.length) <= 6 && (n[0] === asked[0] || n.endsWith(ending)),
  );
  if (!like.length) return null;
  const best = nearest(asked, like);
  return byName.get(best)?.[0] ?? null;
}
