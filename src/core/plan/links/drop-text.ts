import type { Content } from '@/core/shell/model';

/** An attachment of an activity or question stands as an address without a text around it. */
export const isAttachment = (text: string): boolean => /^<a href="[^"]*"><\/a>$/.test(text);

/** The content without some of its texts; the places that its questions name move up. */
export function withoutTexts(content: Content, gone: ReadonlySet<number>): Content {
  if (!gone.size) return content;
  const places = new Map<number, number>();
  content.texts.forEach((_, at) => {
    if (!gone.has(at)) places.set(at, places.size);
  });
  const shift = (list: readonly number[]) => list.flatMap((at) => places.get(at) ?? []);
  return {
    ...content,
    texts: content.texts.filter((_, at) => !gone.has(at)),
    questions: content.questions.map((question) => ({
      ...question,
      stem: shift(question.stem),
      answers: question.answers.map((answer) => ({ ...answer, text: shift(answer.text) })),
    })),
  };
}
