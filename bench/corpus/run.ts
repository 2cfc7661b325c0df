// A labelled corpus: real prose of a Debian documentation package with planted faults, each beside a decoy that looks
// like it. Prints recall and fired decoys by check; exit 1 where recall is below 0.98 or a decoy fired.
import { defaultHouseRules } from '@/core/checks/house-rules';
import { allChecks } from '@/core/checks/registry';
import { runChecks } from '@/core/checks/run-checks';
import { shellRef } from '@/core/shell/refs';
import type { LocalDate } from '@/core/time/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { dice, escapeHtml, proseParagraphs } from './prose';
import { sentences } from './sentences';
import { structures, type Bench } from './structures';

const each = Number(process.argv[2] ?? 60);
const term = { title: 'Spring 2027', start: '2027-01-11' as LocalDate, end: '2027-05-07' as LocalDate };
const previousTerm = { title: 'Autumn 2025', start: '2025-08-25' as LocalDate, end: '2025-12-12' as LocalDate };
const rules = { ...defaultHouseRules(allChecks), leftoverPhrases: ['blue desk', 'tarn-web'], campusHosts: ['campus.example'], sharedAddresses: ['https://campus.example/library'] };
const prose = proseParagraphs();
const cleaned = new Map<string, string[]>();

const rows = [...sentences.map((s) => ({ check: s.check, plant: textPlant(s.fault), decoy: textPlant(s.decoy) })), ...structures.map((s) => ({ check: s.check, plant: s.fault, decoy: s.decoy }))];
const lines: string[] = [];
let failed = false;
for (const { check, plant, decoy } of rows) {
  const found = trial(check, plant);
  const fired = trial(check, decoy);
  const recall = found.hit / each;
  const bad = recall < 0.98 || fired.hit > 0;
  failed ||= bad;
  lines.push(`| ${check} | ${each} | ${found.hit} | ${recall.toFixed(3)} | ${each} | ${fired.hit} |${bad ? ' **' : ''}`);
  for (const miss of found.misses.slice(0, 3)) lines.push(`  missed: ${miss}`);
  for (const alarm of fired.hits.slice(0, 3)) lines.push(`  fired: ${alarm}`);
}
console.log(`Prose: ${prose.length} paragraphs of sqlite3-doc. Each check: ${each} faults and ${each} decoys, each in pages of real prose.\n`);
console.log('| check | faults | named | recall | decoys | fired |\n|---|---:|---:|---:|---:|---:|');
console.log(lines.join('\n'));
console.log(`\n${failed ? 'FAILED' : 'recall 0.98 or better and no decoy fired, by every check'}`);
process.exit(failed ? 1 : 0);

/** A page of real paragraphs with one sentence among them. */
function textPlant(sentence: (d: ReturnType<typeof dice>) => string) {
  return (b: Bench): string => {
    const said = sentence(b.d);
    const paragraphs = [b.text(), said, b.text()];
    const html = b.d.below(2) ? paragraphs.map((p) => `<p>${p}</p>`).join('\n') : `<div>${paragraphs[0]}</div><ul><li>${said}</li></ul><p>${paragraphs[2]}</p>`;
    return b.c.page(said.length < 40 && b.d.below(8) === 0 ? `Note ${b.k}` : `Page ${b.k}`, html, { ref: `p${b.k}` });
  };
}

function trial(check: string, plant: (b: Bench) => string): { hit: number; hits: string[]; misses: string[] } {
  const d = dice(1 + [...check].reduce((n, c) => (n * 31 + c.charCodeAt(0)) >>> 0, 7));
  const c = new ShellComposer({ ref: shellRef('corpus'), code: 'HYD 214', title: 'Stream Ecology', term, previousTerm, asOf: '2027-01-04' as LocalDate, noClassDays: ['2027-03-15', '2027-03-16', '2027-03-17'] as LocalDate[] });
  // Prose that itself names what this check looks for would blur the labels; it is taken out before.
  const used = new Set<number>();
  const text = () => {
    for (;;) {
      const at = d.below(clean(check).length);
      if (used.has(at) && used.size < clean(check).length) continue;
      used.add(at);
      return escapeHtml(clean(check)[at]!);
    }
  };
  const more: Bench['more'] = { events: [], categories: [], columns: [] };
  const wanted: string[] = [];
  for (let k = 0; k < each; k += 1) wanted.push(plant({ c, k, text, d, more }));
  const shell = { ...c.shell(), events: more.events, gradeCategories: more.categories, gradeColumns: more.columns };
  const subjects = new Set(runChecks(shell, { checks: allChecks, rules }).findings.filter((f) => f.check === check).flatMap((f) => f.subjects.map((s) => s.ref)));
  const says = (ref: string) => {
    const item = shell.items.find((i) => i.ref === ref);
    const content = shell.contents.find((x) => x.id === item?.content);
    const lines = (content?.texts[0] ?? '').split(/<[^>]+>/).map((l) => l.trim()).filter((l) => l !== '');
    return `${ref} ${item?.title ?? ''} ${lines.sort((a, b) => a.length - b.length)[0] ?? ''}`.trim();
  };
  return { hit: wanted.filter((w) => subjects.has(w)).length, hits: wanted.filter((w) => subjects.has(w)).map(says), misses: wanted.filter((w) => !subjects.has(w)).map(says) };
}

/** Paragraphs about which a check has nothing to say by themselves. */
function clean(check: string): string[] {
  const known = cleaned.get(check);
  if (known) return known;
  const c = new ShellComposer({ ref: shellRef('prose'), code: 'HYD 214', term, previousTerm, asOf: '2027-01-04' as LocalDate });
  prose.forEach((p, i) => c.page(`Prose ${i}`, `<p>${escapeHtml(p)}</p>`, { ref: `x${i}` }));
  const told = new Set(runChecks(c.shell(), { checks: allChecks.filter((x) => x.id === check), rules }).findings.flatMap((f) => f.subjects.map((s) => s.ref)));
  const made = prose.filter((_, i) => !told.has(`x${i}` as never));
  if (told.size && process.env['CORPUS_NATURAL']) console.log(`natural: ${check} names ${told.size} of ${prose.length} paragraphs`);
  cleaned.set(check, made);
  return made;
}
