import { InvalidArgumentError, type Command } from 'commander';
import { proposedWish, type AddWish } from '@/core/add/choose';
import type { Landing } from '@/core/add/landing';
import type { Dating } from '@/core/add/redate-taken';
import { nearest } from '@/core/checks/rules/house-rules';
import type { LocalDate } from '@/core/dates/local-date';
import { entryOf } from '@/core/entries';
import { itemKinds } from '@/core/shell/model';
import { addText } from '@/formats/report/add-report';
import { addPackage } from '@/services/do/clean/add-package';
import { ScratchFolder } from '@/services/do/clean/scratch-folder';
import { loadHouseRules } from '@/services/do/packages/house-rules-file';
import { todayHere } from '@/services/keep/time/clock';
import { fail } from './audit-command';
import { complain, oneOf, outputFormat, wordList } from './flag-values';
import { clearOnInterrupt } from './interrupt';
import { openProgress } from './progress-line';
import { day, dayList, inputsFrom, withShellFlags, type ShellFlags } from './shell-options';

interface AddFlags extends ShellFlags {
  into: string;
  sourceEvents?: string;
  sourceStatus?: string;
  sourceRoster?: string;
  sourceTermStart?: LocalDate;
  sourceTermEnd?: LocalDate;
  sourceNoClass?: LocalDate[];
  take: AddWish['take'];
  and: string[];
  leave: string[];
  kinds?: string[];
  differs: AddWish['differs'];
  replace: string[];
  dates: Dating['mode'];
  days?: number;
  place: Landing;
  hidden?: boolean;
  homePage?: string;
  outDir?: string;
  format: 'text' | 'json';
}

export function addAdd(program: Command, setCode: (code: number) => void): void {
  const command = program
    .command('add')
    .description('Adds things of one package to a shell. Says what would come; writes only with --out-dir.')
    .argument('<source>', 'the package that things are taken from')
    .requiredOption('--into <TARGET>', 'the shell’s own package')
    .option('--source-events <F.ics>', 'the source’s calendar')
    .option('--source-status <F.csv>', 'the source’s status sheet')
    .option('--source-roster <DIR|ZIP>', 'the source’s OneRoster CSV')
    .option('--source-term-start <D>', 'first day of the source’s term', day)
    .option('--source-term-end <D>', 'last day of the source’s term', day)
    .option('--source-no-class <D[..D],…>', 'days without class of the source’s term', dayList)
    .option('--take <proposed|all|none>', 'the first choice', oneOf(takes), 'proposed' as const)
    .option('--kinds <K,…>', `only these in the first choice: ${kinds.join(', ')}`, kindList)
    .option('--and <REF,…>', 'these, too', refList, [])
    .option('--leave <REF,…>', 'not these', refList, [])
    .option(
      '--differs <keep|replace|beside>',
      'what becomes of what differs',
      oneOf(waysWith),
      'keep' as const,
    )
    .option('--replace <REF,…>', 'the counterparts of these get what the source says', refList, [])
    .option('--dates <MODE>', `what becomes of dates: ${datings.join(', ')}`, oneOf(datings), 'keep' as const)
    .option('--days <N>', 'for --dates shift: so many days later, or earlier where negative', wholeNumber)
    .option('--place <match|end|in:REF|before:REF|after:REF>', 'where things land', place, { where: 'match' })
    .option('--hidden', 'everything lands hidden')
    .option('--home-page <REF>', 'this page of the source becomes the home page in use')
    .option('--out-dir <DIR>', 'a new or empty folder for the result')
    .option('--format <text|json>', 'what to print', outputFormat, 'text' as const);
  withShellFlags(command)
    .addHelpText('after', '\nAll other side inputs belong to the shell; refs are those that the audit gives.')
    .action(async (path: string, flags: AddFlags) => setCode(await addCommand(path, flags)));
}

const takes = ['proposed', 'all', 'none'] as const;
const waysWith = ['keep', 'replace', 'beside'] as const;
const datings = ['keep', 'week-and-weekday', 'shift', 'clear'] as const;
const kinds = [
  ...itemKinds.filter((kind) => kind !== 'module' && kind !== 'heading'),
  'event',
  'bank',
  'grade-setup',
] as const;

function kindList(text: string): string[] {
  return wordList(text).map((word) => {
    const kind = kinds.find((one) => one === word || `${one}s` === word);
    if (kind !== undefined) return kind;
    throw new InvalidArgumentError(`There is no kind “${word}”; the nearest one is ${nearest(word, kinds)}.`);
  });
}

function refList(text: string): string[] {
  const refs = wordList(text);
  if (refs.length === 0) throw new InvalidArgumentError('Name at least one ref.');
  return refs;
}

function wholeNumber(text: string): number {
  if (!/^[+-]?\d{1,5}$/.test(text.trim()))
    throw new InvalidArgumentError(`“${text}” is no number of days; write it as 28 or -7.`);
  return Number(text);
}

function place(text: string): Landing {
  if (text === 'match' || text === 'end') return { where: text };
  const [, where = '', ref = ''] = /^(in|before|after):(.+)$/.exec(text) ?? [];
  if (where === 'in' || where === 'before' || where === 'after') return { where, ref };
  throw new InvalidArgumentError(`“${text}” is no place; write match, end, in:REF, before:REF or after:REF.`);
}

/** Exit codes of what an adding may come to: not understood 2, held back by a guard 4. */
const codes: Readonly<Record<string, number>> = { usage: 2, 'redate-refused': 2, 'key-shown': 4 };

async function addCommand(path: string, flags: AddFlags): Promise<number> {
  if (flags.dates === 'shift' && flags.days === undefined)
    return complain('shift needs the number of days; give --days');
  if (flags.dates !== 'shift' && flags.days !== undefined)
    return complain(`--days goes with --dates shift, not with ${flags.dates}`);
  const today = todayHere();
  const target = inputsFrom(flags.into, flags, today);
  const rules = loadHouseRules(target.houseRules);
  if (!rules.ok) return fail(rules.trouble.message);
  const scratch: ScratchFolder = new ScratchFolder(() => clearOnInterrupt(() => scratch.remove()));
  const progress = await openProgress();
  const result = await addPackage(inputsFrom(path, sourceFlags(flags), today), target, {
    wish: wishOf(flags),
    landing: flags.place,
    dating: { mode: flags.dates, days: flags.days ?? 0 },
    hidden: flags.hidden ?? false,
    homePage: flags.homePage ?? null,
    sourceNoClass: flags.sourceNoClass ?? null,
    rules: rules.value,
    outDir: flags.outDir ?? null,
    scratch,
    onProgress: progress.say,
  });
  progress.end();
  if (!result.ok) {
    const code = entryOf(codes, result.trouble.code);
    return code === undefined ? fail(result.trouble.message) : complain(result.trouble.message, code);
  }
  const ending = flags.outDir === undefined ? 'Nothing was written.' : `Written to ${flags.outDir}`;
  const text = () => `${addText(result.value)}${ending}\n`;
  process.stdout.write(flags.format === 'json' ? `${JSON.stringify(result.value, null, 2)}\n` : text());
  return 0;
}

const sourceFlags = (flags: AddFlags): ShellFlags => ({
  events: flags.sourceEvents,
  status: flags.sourceStatus,
  roster: flags.sourceRoster,
  termStart: flags.sourceTermStart,
  termEnd: flags.sourceTermEnd,
  class: flags.sourceNoClass,
  asOf: flags.asOf,
});

const wishOf = ({ take, kinds: only, and, leave, differs, replace }: AddFlags): AddWish => ({
  ...proposedWish,
  take,
  kinds: only ?? null,
  and,
  leave,
  differs,
  replace,
});
