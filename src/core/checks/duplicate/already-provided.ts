import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { textOfContent, wordingOf } from '@/core/links/scans';
import type { Baseline, Item, Shell } from '@/core/shell/model';
import { nearSignature, pairsOf } from '@/core/text/near-pairs';
import { wordCodes } from '@/core/text/shingles';
import { titleKey } from '@/core/text/normalise';
import { defineCheck, missing } from '@/core/checks/check/check';

type BaselineItem = Baseline['items'][number];

export const alreadyProvided = defineCheck({
  id: 'duplicate.already-provided',
  title: 'Already provided',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['outline', 'contentKeys'],
  options: z.object({
    similarity: z
      .number()
      .min(0.3)
      .max(1)
      .default(0.7)
      .describe('Share of four-word runs that two texts must have in common'),
    words: z.int().min(4).default(30).describe('Texts of fewer words must be equal'),
  }),
  messages: {
    equal: '“{title}” says what the institution already provides',
    near: '“{title}” nearly says what the institution already provides: {percent} % of its wording',
    template: '“{title}” repeats the template’s own “{part}”, which is still there',
  },
  things: ['item that is already provided', 'items that are already provided'],
  page: {
    means:
      'An item says the same, or nearly the same, as an item of the baseline that the institution supplies.',
    why: 'Two statements on the same thing soon differ, and the institution’s is the valid one.',
    example: 'An old integrity statement beside the one that every shell gets.',
    remedy:
      'Deletes ours. Where the shell began as a copy of the template, the template’s own is proposed to stay.',
    notWhen: 'It is the template’s own item, untouched.',
  },
  notApplicable: (shell) => (shell.baseline ? null : missing('no baseline was given')),
  *find({ shell, facts, options }) {
    const { baseline } = shell;
    if (!baseline) return;
    const untouched = new Map(baseline.items.map((b) => [b.ref, b]));
    const isOwn = (item: Item) => {
      const part = untouched.get(item.ref);
      return (
        part !== undefined &&
        part.kind === item.kind &&
        part.key === facts.contentKeys.looseOf(item) &&
        titleKey(part.title) === titleKey(item.title)
      );
    };
    const byKey = new Map<string, BaselineItem>();
    for (const b of baseline.items) if (b.key !== null && !byKey.has(b.key)) byKey.set(b.key, b);
    const near = nearMatches(shell, baseline, options.similarity, options.words);
    for (const item of shell.items) {
      if (item.content === null || (baseline.is === 'template' && isOwn(item))) continue;
      const key = facts.contentKeys.looseOf(item);
      const equal = key === null ? undefined : byKey.get(key);
      const like = equal ? null : near.get(item.content);
      const part = equal ?? like?.part;
      if (!part) continue;
      const ours =
        baseline.is === 'template'
          ? shell.items.find((i) => i.ref !== item.ref && i.ref === part.ref && isOwn(i))
          : undefined;
      if (baseline.is === 'template' && !ours) continue;
      const params = {
        title: item.title,
        percent: Math.floor((like?.similarity ?? 1) * 100),
        part: part.title,
      };
      const likeness = equal ? 'equal' : 'near';
      yield {
        message: { id: ours ? 'template' : likeness, params },
        subjects: [
          ...(ours ? [{ type: 'item' as const, ref: ours.ref }] : []),
          { type: 'item', ref: item.ref },
        ],
        keep: ours?.ref ?? null,
        evidence: [
          { label: 'Provided', value: `“${part.title}” of ${baseline.title}`, where: ours?.ref ?? item.ref },
          { label: 'In common', value: equal ? 'word for word' : `${params.percent} % of the wording` },
          {
            label: 'Stands at',
            value: [...(item.placed ? facts.outline.path(item) : ['Outside the outline']), item.title].join(
              ' › ',
            ),
            where: item.ref,
          },
          ...(ours ? [{ label: 'Why this one stays', value: 'it is the template’s own' }] : []),
        ],
        remedy: {
          action: 'delete',
          targets: [item.ref],
          params: ours ? { relink: { [item.ref]: ours.ref } } : {},
          kind: 'judgement',
        },
        confidence: like?.similarity ?? 1,
      };
    }
  },
});

/** Contents whose text is near that of a baseline item of the same kind, with the nearest one. */
function nearMatches(
  shell: Shell,
  baseline: Baseline,
  threshold: number,
  words: number,
): Map<string, { part: BaselineItem; similarity: number }> {
  const found = new Map<string, { part: BaselineItem; similarity: number }>();
  const contents = new Map(shell.contents.map((c) => [c.id, c]));
  const kinds = new Set(baseline.items.filter((b) => b.text).map((b) => b.kind));
  for (const kind of kinds) {
    const parts = baseline.items.filter((b) => b.kind === kind && b.text);
    const ours = shell.items.flatMap((item) => {
      const content = item.kind === kind && item.content ? contents.get(item.content) : undefined;
      return content && wordingOf(content).words >= words ? [content] : [];
    });
    const given = parts.map((p) => wordCodes(p.text ?? ''));
    const signatures = [...given.map((w) => nearSignature(w)), ...ours.map((c) => wordingOf(c).signature)];
    for (const { a, b, similarity } of pairsOf(
      signatures,
      (i) => given[i] ?? wordCodes(textOfContent(ours[i - given.length])),
      threshold,
    )) {
      if (a >= parts.length || b < parts.length) continue;
      const id = elementAt(ours, b - parts.length).id;
      if (similarity > (found.get(id)?.similarity ?? 0))
        found.set(id, { part: elementAt(parts, a), similarity });
    }
  }
  return found;
}
