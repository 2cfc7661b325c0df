import type { Content, Question, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/shell/refs';
import { replacements } from '../edits';
import type { ActionResult } from './action-result';

/** Takes questions out of quizzes and banks by their idents; where two share one, the later goes first. */
export function deleteQuestions(
  shell: Shell,
  targets: ReadonlySet<string>,
  idents: readonly string[],
): ActionResult {
  const outline = outlineOf(shell);
  const owners = new Map<string, string>();
  const blocked = new Map<string, string>();
  for (const ref of targets) {
    const item = outline.byRef.get(ref as ItemRef);
    const content = item?.content ?? shell.banks.find((b) => b.ref === ref)?.content;
    if ((item?.studentWork ?? 0) > 0)
      blocked.set(
        ref,
        `“${item?.title}” has ${item?.studentWork} pieces of student work, which its questions belong to; leave it as it is`,
      );
    else if (content) owners.set(content, ref);
  }
  const done = new Set<string>();
  const edits = replacements(shell, 'contents', (content) => {
    const owner = owners.get(content.id);
    const made = owner === undefined ? content : without(content, idents);
    if (owner !== undefined && made !== content) done.add(owner);
    return made;
  });
  return { edits, done, blocked };
}

/** The content without so many questions of each ident, counted from its end. */
function without(content: Content, idents: readonly string[]): Content {
  const left = [...idents];
  const keep: { question: Question; place: number }[] = [];
  content.questions.forEach((question, place) => keep.push({ question, place }));
  for (let i = keep.length - 1; i >= 0 && left.length; i -= 1) {
    const at = left.indexOf(keep[i]!.question.ident);
    if (at < 0) continue;
    left.splice(at, 1);
    keep.splice(i, 1);
  }
  if (keep.length === content.questions.length) return content;
  const staying = new Set(keep.map((k) => k.place));
  const textsOf = (q: Question) => [...q.stem, ...q.answers.flatMap((a) => a.text)];
  const gone = new Set(content.questions.flatMap((q, place) => (staying.has(place) ? [] : textsOf(q))));
  for (const { question } of keep) for (const text of textsOf(question)) gone.delete(text);
  // Places move up by the texts that went before them.
  const place = new Map<number, number>();
  content.texts.forEach((_, i) => !gone.has(i) && place.set(i, place.size));
  const shift = (list: readonly number[]) => list.map((i) => place.get(i)!);
  const questions = keep.map(({ question: q }) => ({
    ...q,
    stem: shift(q.stem),
    answers: q.answers.map((a) => ({ ...a, text: shift(a.text) })),
  }));
  const keys = content.answerKey.split(';');
  const answerKey =
    keys.length === content.questions.length
      ? keys.filter((_, i) => staying.has(i)).join(';')
      : content.answerKey;
  const weights = questions.map((q) => q.points).filter((p) => p !== null);
  return {
    ...content,
    texts: content.texts.filter((_, i) => !gone.has(i)),
    questions,
    answerKey: /[^;]/.test(answerKey) ? answerKey : '',
    points: weights.length ? weights.reduce((a, b) => a + b, 0) : content.points,
  };
}
