import { z } from 'zod';
import { contentOfShell, bankOfShell } from '@/core/shell/find-things';
import type { Content, Question, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { withoutTexts } from '../links/drop-text';
import { defineAction } from '@/core/plan/action/action';

/** Two questions may share an ident, so each stands as often as it goes. */
const idents = z.array(z.string()).min(1);

/** Takes questions out of quizzes and banks by their idents; where two share one, the later goes first. */
export const deleteQuestions = defineAction({
  name: 'delete-questions',
  label: 'Delete questions of',
  title: 'Delete questions',
  toDo: ({ title, sets }) => ({
    what: `Delete these questions from “${title}”: ${sets.delete.join(', ')}.`,
    lookFor: 'It holds only the others.',
  }),
  isByHandOnHosts: true,
  writtenAs: { action: 'delete', param: 'questions' },
  nothing: 'the questions are gone already',
  phase: 'change',
  on: ['item', 'bank'],
  only: 'it holds no questions',
  params: z.strictObject({ questions: idents }),
  perTarget: [],
  expects: z.strictObject({ questions: z.array(z.string()) }),
  sets: z.strictObject({ delete: idents }),
  setsOf: (params) => ({ delete: params.questions }),
  paramsOf: (targets) => ({ questions: [...(targets[0]?.sets.delete ?? [])] }),
  now: (shell, ref, sets) => {
    const content = questionsOwner(shell, ref);
    const there = new Set(content?.questions.map((q) => q.ident));
    return { questions: sets.delete.filter((ident) => there.has(ident)) };
  },
  isSet: (now) => now.questions.length === 0,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    const changed = new Map<Content, Content>();
    for (const { ref, sets } of targets) {
      const content = questionsOwner(shell, ref);
      const item = outlineOf(shell).byRef.get(ref as ItemRef);
      const work = item?.studentWork ?? 0;
      if (work > 0)
        blocked.set(
          ref,
          `“${item?.title}” has ${work} pieces of student work, which its questions belong to; leave it as it is`,
        );
      else if (content) {
        const next = withoutQuestions(changed.get(content) ?? content, sets.delete);
        if (next.questions.length) changed.set(content, next);
        else blocked.set(ref, 'no question would be left; delete the whole of it instead');
      }
    }
    const contents = shell.contents.map((content) => changed.get(content) ?? content);
    return { shell: { ...shell, contents }, blocked };
  },
});

function questionsOwner(shell: Shell, ref: string): Content | undefined {
  const item = outlineOf(shell).byRef.get(ref as ItemRef);
  return contentOfShell(shell, item?.content ?? bankOfShell(shell, ref)?.content ?? null);
}

/** The content without so many questions of each ident, counted from its end. */
function withoutQuestions(content: Content, gone: readonly string[]): Content {
  const left = [...gone];
  const going = new Set<number>();
  for (let at = content.questions.length - 1; at >= 0 && left.length; at -= 1) {
    const place = left.indexOf(content.questions[at]?.ident ?? '');
    if (place < 0) continue;
    left.splice(place, 1);
    going.add(at);
  }
  if (!going.size) return content;
  const questions = content.questions.filter((_, at) => !going.has(at));
  const usedTexts = new Set(questions.flatMap(textsOf));
  const goneTexts = content.questions
    .filter((_, at) => going.has(at))
    .flatMap(textsOf)
    .filter((text) => !usedTexts.has(text));
  const keys = content.answerKey.split(';');
  const answerKey =
    keys.length === content.questions.length
      ? keys.filter((_, at) => !going.has(at)).join(';')
      : content.answerKey;
  const weights = questions.map((q) => q.points).filter((points) => points !== null);
  return {
    ...withoutTexts({ ...content, questions }, new Set(goneTexts)),
    answerKey: /[^;]/.test(answerKey) ? answerKey : '',
    points: weights.length ? weights.reduce((a, b) => a + b, 0) : content.points,
  };
}

const textsOf = (question: Question): number[] => [
  ...question.stem,
  ...question.answers.flatMap((answer) => answer.text),
];
