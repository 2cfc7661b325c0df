import type { Batch } from '@/core/checks/run/batches';
import { urgencyTitles } from '@/core/checks/finding/finding';
import type { OpeningAnswer, OpeningState } from '@/core/opening-day/opening-day';
import { plural } from '@/core/text/plural';
import { tableOf, type Report } from './model/report';

export interface Decided {
  /** What was decided, in the words of the screens: Left be, Asked, Later, In the plan. */
  readonly decision: string;
  readonly title: string;
  /** Why, or what will be done; empty where nobody said. */
  readonly reason: string;
}
/** What the owner answered on a question sheet. */
export interface OwnerAnswer {
  readonly asks: string;
  readonly answer: 'yes' | 'no' | 'unsure';
  readonly note: string;
  /** What it came to: accepted, left be, for later, by hand. */
  readonly becomes: string;
  readonly takenAt: string;
}
export interface DoneRun {
  readonly number: number;
  readonly what: string;
  readonly finishedAt: string;
  readonly steps: number;
  readonly held: number;
}
export interface SignOffInput {
  readonly shell: string;
  readonly about: readonly string[];
  readonly percent: number;
  readonly open: number;
  readonly combedAt: string;
  readonly opening: readonly OpeningAnswer[];
  readonly runs: readonly DoneRun[];
  readonly decided: readonly Decided[];
  readonly answers: readonly OwnerAnswer[];
  readonly left: readonly Batch[];
  /** Lines of the work order that are still to be done by hand. */
  readonly byHand: number;
}

const answerWords: Readonly<Record<OwnerAnswer['answer'], string>> = {
  yes: 'Yes',
  no: 'No',
  unsure: 'Not sure',
};
const stateWords: Readonly<Record<OpeningState, string>> = {
  yes: 'in order',
  no: 'in the way',
  partly: 'checked in part',
  'not-asked': 'not checked',
};

/** What a teacher signs: what was asked, decided and done, what is left, and who looked it over. */
export function signOffReport(input: SignOffInput): Report {
  const { shell, about, percent, open, combedAt, opening, runs, decided, answers, left, byHand } = input;
  const hand = byHand > 0 ? ` ${plural(byHand, 'line')} of the work order are still to be done by hand.` : '';
  return {
    schema: 'currycomb.report/1',
    of: 'sign-off',
    title: `${shell}: sign-off`,
    about: [...about, `Combed ${spell(combedAt)} (UTC).`],
    figure: `${percent} % smooth; ${plural(open, 'finding')} open.${hand}`,
    tables: [
      ...tableOf('opening-day', 'Opening day', ['Asked', 'Answer', 'What says so'], opening.map(openingRow)),
      ...tableOf(
        'runs',
        'What was done',
        ['Run', 'What', 'When (UTC)', 'Steps done', 'Held back'],
        runs.map(({ number, what, finishedAt, steps, held }) => [
          number,
          what,
          spell(finishedAt),
          steps,
          held,
        ]),
      ),
      ...tableOf(
        'decisions',
        'What was decided',
        ['Decision', 'Finding', 'Reason'],
        decided.map(({ decision, title, reason }) => [decision, title, reason]),
      ),
      ...tableOf(
        'answers',
        'What the owner answered',
        ['Question', 'Answer', 'Note', 'Came to', 'When (UTC)'],
        answers.map(({ asks, answer, note, becomes, takenAt }) => [
          asks,
          answerWords[answer],
          note,
          becomes,
          spell(takenAt),
        ]),
      ),
      ...tableOf(
        'left',
        'What is left',
        ['Urgency', 'What', 'Things', 'Proof'],
        left.map(({ urgency, title, things, proof }) => [urgencyTitles[urgency], title, things, proof]),
      ),
    ],
    signatures: ['Looked over by', 'Date'],
  };
}

const spell = (moment: string): string => moment.slice(0, 16).replace('T', ' ');

function openingRow({ title, state, checks }: OpeningAnswer): string[] {
  const open = checks.filter((check) => check.open > 0).map((check) => `${check.open} · ${check.title}`);
  const notAsked = checks.flatMap(({ title: check, notAsked: why }) =>
    why === null ? [] : [`${check}: ${why}`],
  );
  return [title, stateWords[state], [...open, ...notAsked].join('\n')];
}
