import { InvalidArgumentError, type Command } from 'commander';
import {
  redateModes,
  weekdayKeys,
  type RedateAsk,
  type RedateMode,
  type WeekdayMap,
} from '@/core/redate/ask';
import type { LocalDate } from '@/core/dates/local-date';
import { redateJson, redateText } from '@/formats/report/redate-report';
import { loadHouseRules } from '@/services/do/packages/house-rules-file';
import { ScratchFolder } from '@/services/do/clean/scratch-folder';
import { todayHere } from '@/services/keep/time/clock';
import { redatePackage } from '@/services/do/clean/redate-package';
import { fail } from './audit-command';
import { clearOnInterrupt } from './interrupt';
import { complain, oneOf, outputFormat, wordList } from './flag-values';
import { openProgress } from './progress-line';
import { day, dayList, inputsFrom, withShellFlags, type ShellFlags } from './shell-options';

interface RedateFlags extends ShellFlags {
  previousNoClass?: LocalDate[];
  mode: RedateMode;
  days?: number;
  date?: LocalDate;
  map?: WeekdayMap;
  avoidNoClass?: 'next' | 'previous';
  what: 'items' | 'events' | 'all';
  only?: string[];
  typed?: boolean;
  outDir?: string;
  format: 'text' | 'json';
}

export function addRedate(program: Command, setCode: (code: number) => void): void {
  withShellFlags(
    program
      .command('redate')
      .description(
        'Moves dates from an old term to the new one. Says what would change; writes only with --out-dir.',
      )
      .argument('<package>', 'course package, .imscc or .zip'),
  )
    .option('--previous-no-class <D[..D],…>', 'days without class of the old term', dayList)
    .option(
      '--mode <MODE>',
      `how a date finds its new day: ${redateModes.join(', ')}`,
      oneOf(redateModes),
      'week-and-weekday' as const,
    )
    .option('--days <N>', 'for shift: so many days later, or earlier where negative', wholeNumber)
    .option('--date <D>', 'for to-date: the day', day)
    .option('--map <mon=tue,…>', 'class days that become others', weekdayMap)
    .option(
      '--avoid-no-class <next|previous>',
      'leave no-class days for the next or previous day with class',
      oneOf(['next', 'previous'] as const),
    )
    .option(
      '--what <items|events|all>',
      'what to move',
      oneOf(['items', 'events', 'all'] as const),
      'all' as const,
    )
    .option('--only <REF,…>', 'these things alone', wordList)
    .option('--typed', 'change days typed in the texts of what is shifted, too')
    .option('--out-dir <DIR>', 'a new or empty folder for the result')
    .option('--format <text|json>', 'what to print', outputFormat, 'text' as const)
    .action(async (path: string, flags: RedateFlags) => setCode(await redateCommand(path, flags)));
}

function wholeNumber(text: string): number {
  if (!/^[+-]?\d{1,5}$/.test(text.trim()))
    throw new InvalidArgumentError(`“${text}” is no number of days; write it as 28 or -7.`);
  return Number(text);
}

/** `mon=tue,wed=thu`: ISO weekdays to ISO weekdays. */
export function weekdayMap(text: string): WeekdayMap {
  const map = new Map<number, number>();
  for (const part of text.split(',')) {
    const [from = '', to = ''] = part.split('=').map((word) => word.trim().toLowerCase());
    const pair = [from, to].map((word) => weekdayKeys.findIndex((key) => key === word) + 1);
    const [old = 0, other = 0] = pair;
    if (old === 0 || other === 0)
      throw new InvalidArgumentError(
        `“${part.trim()}” is no pair of weekdays; write it as mon=tue (${weekdayKeys.join(', ')}).`,
      );
    if (map.has(old)) throw new InvalidArgumentError(`“${from}” stands twice; name each old weekday once.`);
    map.set(old, other);
  }
  return map;
}

async function redateCommand(path: string, flags: RedateFlags): Promise<number> {
  const clash = clashOf(flags);
  if (clash !== null) return complain(clash);
  const inputs = inputsFrom(path, flags, todayHere());
  const rules = loadHouseRules(inputs.houseRules);
  if (!rules.ok) return fail(rules.trouble.message);
  const scratch: ScratchFolder = new ScratchFolder(() => clearOnInterrupt(() => scratch.remove()));
  const progress = await openProgress();
  const result = await redatePackage(inputs, {
    ask: askOf(flags),
    oldNoClass: flags.previousNoClass ?? null,
    typed: flags.typed ?? false,
    outDir: flags.outDir ?? null,
    rules: rules.value,
    scratch,
    onProgress: progress.say,
  });
  progress.end();
  if (!result.ok) {
    const { code, message } = result.trouble;
    return code === 'usage' || code === 'redate-refused' ? complain(message) : fail(message);
  }
  if (result.value.kind === 'blocked') {
    for (const line of result.value.lines) process.stderr.write(`currycomb: blocked: ${line}\n`);
    return 4;
  }
  const { redating } = result.value;
  const json = () => `${JSON.stringify(redateJson(redating), null, 2)}\n`;
  process.stdout.write(flags.format === 'json' ? json() : `${redateText(redating)}${ending(flags)}\n`);
  return 0;
}

const ending = ({ outDir }: RedateFlags): string =>
  outDir === undefined ? 'Nothing was written.' : `Written to ${outDir}`;

const askOf = (flags: RedateFlags): RedateAsk => ({
  mode: flags.mode,
  days: flags.days ?? 0,
  date: flags.date ?? null,
  map: flags.map ?? new Map(),
  avoidNoClass: flags.avoidNoClass ?? null,
  what: flags.what,
  only: flags.only === undefined ? null : new Set(flags.only),
});

/** Flags that the mode does not go with, in one sentence. */
function clashOf({ mode, days, date, only }: RedateFlags): string | null {
  if (mode === 'shift' && days === undefined) return 'shift needs the number of days; give --days';
  if (mode !== 'shift' && days !== undefined) return `--days goes with --mode shift, not with ${mode}`;
  if (mode === 'to-date' && date === undefined) return 'to-date needs the day; give --date';
  if (mode !== 'to-date' && date !== undefined) return `--date goes with --mode to-date, not with ${mode}`;
  if (only?.length === 0) return 'name at least one ref with --only';
  return null;
}
