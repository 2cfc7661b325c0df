// A labelled corpus: real prose of a Debian documentation package with planted faults, each beside a decoy that looks
// like it. Prints recall and fired decoys by check and keeps them in docs/corpus.md; exit 1 where recall is below 0.995 or a decoy fired.
import { writeFileSync } from 'node:fs';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import type { Probe } from '@/core/probe/probe';
import { webStates } from '@/core/probe/web-answer';
import { runChecks } from '@/core/checks/run/run-checks';
import { shellRef } from '@/core/refs/refs';
import type { LocalDate } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { dice, escapeHtml, proseParagraphs } from './prose';
import { sentences } from './sentences';
import { structures, type Bench } from './structures';
import { caseTables } from './case-names';
import { sortsOfShells } from './sorts-of-shells';
import { wholeShells, type WholeBench, type WholeShell } from './whole-shells';

/** What the web would answer: addresses say themselves, in their first part, what they come to. */
const asked: Probe = {
  answerOf: (url) => {
    const state = webStates.find((one) => new URL(url).hostname.startsWith(`${one}.`));
    if (state === undefined) return null;
    const movedTo = state === 'moved' ? 'https://answers.example/' : null;
    return { url, state, status: null, movedTo, hops: [], says: '', askedAt: '2027-01-04T08:00:00Z' };
  },
};

const each = Number(process.argv[2] ?? 60);
const leastRecall = 0.995;
const term = { title: 'Spring 2027', start: '2027-01-11' as LocalDate, end: '2027-05-07' as LocalDate };
const previousTerm = {
  title: 'Autumn 2025',
  start: '2025-08-25' as LocalDate,
  end: '2025-12-12' as LocalDate,
};
const rules = {
  ...defaultHouseRules(allChecks),
  leftoverPhrases: ['blue desk', 'tarn-web'],
  currentTools: ['lab.tools.example', 'maps.example'],
  requiredParts: ['Meet your*', 'Office hours'],
  campusHosts: ['campus.example'],
  staffStore: ['staff room*'],
  sharedAddresses: ['https://campus.example/library'],
};
const seedOf = (check: string) => 1 + [...check].reduce((n, c) => (n * 31 + c.charCodeAt(0)) >>> 0, 7);
const about = {
  ref: shellRef('corpus'),
  code: 'HYD 214',
  title: 'Stream Ecology',
  term,
  previousTerm,
  asOf: '2027-01-04' as LocalDate,
  noClassDays: ['2027-03-15', '2027-03-16', '2027-03-17'] as LocalDate[],
};
const prose = proseParagraphs();
const cleaned = new Map<string, string[]>();

interface Trial {
  readonly hit: number;
  readonly hits: readonly string[];
  readonly misses: readonly string[];
}
/** Each row tries the faults, then the decoys. */
const rows: readonly {
  readonly check: string;
  readonly sort?: string;
  readonly run: (which: 'fault' | 'decoy') => Trial;
}[] = [
  ...sentences.map((s) => ({
    check: s.check,
    run: (which: 'fault' | 'decoy') => trial(s.check, textPlant(s[which])),
  })),
  ...structures.map((s) => ({ check: s.check, run: (which: 'fault' | 'decoy') => trial(s.check, s[which]) })),
  ...wholeShells.map((s) => ({
    check: s.check,
    run: (which: 'fault' | 'decoy') => wholeTrial(s.check, s[which]),
  })),
  ...sortsOfShells.map((s) => ({
    check: s.check,
    sort: s.sort,
    run: (which: 'fault' | 'decoy') =>
      wholeTrial(s.check, s[which], which === 'fault' ? s.names : undefined, s.sort),
  })),
];
const covered = new Set(rows.map((r) => r.check));
const left = allChecks.filter((c) => !covered.has(c.id)).map((c) => c.id);
const lines: string[] = [];
let failed = false;
for (const { check, sort, run } of rows) {
  const found = run('fault');
  const fired = run('decoy');
  const recall = found.hit / each;
  const bad = recall < leastRecall || fired.hit > 0;
  failed ||= bad;
  lines.push(
    `| ${check}${sort === undefined ? '' : `, ${sort}`} | ${each} | ${found.hit} | ${recall.toFixed(3)} | ${each} | ${fired.hit} |${bad ? ' **' : ''}`,
  );
  for (const miss of found.misses.slice(0, 3)) lines.push(`  missed: ${miss}`);
  for (const alarm of fired.hits.slice(0, 3)) lines.push(`  fired: ${alarm}`);
}
const report = [
  '# Labelled corpus',
  '',
  `Made by \`npm run corpus\` on ${new Date().toISOString().slice(0, 10)}. Faults and decoys are planted in paragraphs of Debian’s package sqlite3-doc, which is not the demo’s text and is not committed; paragraphs that a check names by themselves are left out for that check (they are counted with \`CORPUS_NATURAL=1\`). What a whole shell lacks, or how its parts stand to each other, is planted in a shell of its own each time.`,
  '',
  `Prose: ${prose.length} paragraphs. Each check: ${each} faults and ${each} decoys among real prose.`,
  '',
  '| check | faults | named | recall | decoys | fired |',
  '|---|---:|---:|---:|---:|---:|',
  ...lines,
  '',
  ...(left.length ? [`Without a row: ${left.join(', ')}`, ''] : []),
  failed
    ? 'FAILED'
    : `Recall is ${leastRecall} or better and no decoy fired, in every row; ${covered.size} of ${allChecks.length} checks have one.`,
];
console.log(report.join('\n'));
if (process.argv[2] === undefined)
  writeFileSync('docs/corpus.md', `${[...report, '', ...caseTables()].join('\n')}`);
process.exit(failed || left.length ? 1 : 0);

/** A page of real paragraphs with one sentence among them. */
function textPlant(sentence: (d: ReturnType<typeof dice>) => string) {
  return (b: Bench): string => {
    const said = sentence(b.d);
    const paragraphs = [b.text(), said, b.text()];
    const html = b.d.below(2)
      ? paragraphs.map((p) => `<p>${p}</p>`).join('\n')
      : `<div>${paragraphs[0]}</div><ul><li>${said}</li></ul><p>${paragraphs[2]}</p>`;
    return b.c.page(said.length < 40 && b.d.below(8) === 0 ? `Note ${b.k}` : `Page ${b.k}`, html, {
      ref: `p${b.k}`,
    });
  };
}

/** Fresh paragraphs about which the check has nothing to say. */
function proseFor(check: string, d: ReturnType<typeof dice>): () => string {
  // Prose that itself names what this check looks for would blur the labels; it is taken out before.
  const used = new Set<number>();
  return () => {
    for (;;) {
      const at = d.below(clean(check).length);
      if (used.has(at) && used.size < clean(check).length) continue;
      used.add(at);
      return escapeHtml(clean(check)[at]!);
    }
  };
}

/** Each fault in a shell of its own, among pages of real prose; one finding must name as many things as `names` says. */
function wholeTrial(
  check: string,
  plant: WholeShell['fault'],
  names: (b: WholeBench) => number = () => 1,
  sort = '',
): Trial {
  const d = dice(seedOf(`${check}${sort}`));
  const text = proseFor(check, d);
  const told: boolean[] = [];
  for (let k = 0; k < each; k += 1) {
    const c = new ShellComposer(about);
    for (const title of ['About the river', 'How we work', 'Where we meet'].slice(0, 1 + d.below(3)))
      c.page(title, `<p>${text()}</p><p>${text()}</p>`);
    const bench = { c, text, d };
    const over = plant(bench) ?? {};
    const { findings } = runChecks({ ...c.shell(), ...over }, { checks: allChecks, rules, probe: asked });
    told.push(findings.some((f) => f.check === check && f.subjects.length >= names(bench)));
  }
  const numbersOf = (wanted: boolean) => told.flatMap((t, k) => (t === wanted ? [`shell ${k}`] : []));
  return { hit: told.filter((t) => t).length, hits: numbersOf(true), misses: numbersOf(false) };
}

function trial(check: string, plant: (b: Bench) => string): Trial {
  const d = dice(seedOf(check));
  const c = new ShellComposer(about);
  const text = proseFor(check, d);
  const more: Bench['more'] = { events: [], categories: [], columns: [] };
  const wanted: string[] = [];
  for (let k = 0; k < each; k += 1) wanted.push(plant({ c, k, text, d, more }));
  const shell = {
    ...c.shell(),
    events: more.events,
    gradeCategories: more.categories,
    gradeColumns: more.columns,
  };
  const subjects = new Set(
    runChecks(shell, { checks: allChecks, rules, probe: asked })
      .findings.filter((f) => f.check === check)
      .flatMap((f) => f.subjects.map((s) => s.ref)),
  );
  const says = (ref: string) => {
    const item = shell.items.find((i) => i.ref === ref);
    const content = shell.contents.find((x) => x.id === item?.content);
    const lines = (content?.texts[0] ?? '')
      .split(/<[^>]+>/)
      .map((l) => l.trim())
      .filter((l) => l !== '');
    return `${ref} ${item?.title ?? ''} ${lines.sort((a, b) => a.length - b.length)[0] ?? ''}`.trim();
  };
  return {
    hit: wanted.filter((w) => subjects.has(w)).length,
    hits: wanted.filter((w) => subjects.has(w)).map(says),
    misses: wanted.filter((w) => !subjects.has(w)).map(says),
  };
}

/** Paragraphs about which a check has nothing to say by themselves. */
function clean(check: string): string[] {
  const known = cleaned.get(check);
  if (known) return known;
  const c = new ShellComposer({
    ref: shellRef('prose'),
    code: 'HYD 214',
    term,
    previousTerm,
    asOf: '2027-01-04' as LocalDate,
  });
  prose.forEach((p, i) => c.page(`Prose ${i}`, `<p>${escapeHtml(p)}</p>`, { ref: `x${i}` }));
  const told = new Set(
    runChecks(c.shell(), { checks: allChecks.filter((x) => x.id === check), rules }).findings.flatMap((f) =>
      f.subjects.map((s) => s.ref),
    ),
  );
  const made = prose.filter((_, i) => !told.has(`x${i}` as never));
  if (told.size && process.env['CORPUS_NATURAL'])
    console.log(`natural: ${check} names ${told.size} of ${prose.length} paragraphs`);
  cleaned.set(check, made);
  return made;
}
