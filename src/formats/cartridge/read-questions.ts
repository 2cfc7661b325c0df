import { clipTitle } from '@/core/text/clip';
import type { Question } from '@/core/shell/model';
import {
  attribute,
  childNamed,
  descendantsNamed,
  elementsOf,
  numberIn,
  textOf,
  type XmlElement,
} from '../xml/parse-xml';
import type { BodySpan } from './body-spans';

export interface QuestionSet {
  readonly title: string;
  /** The sum of the questions' weighting; null where no question has one. */
  readonly points: number | null;
  /** What decides the questions beyond their words. Idents change with every copy, so answers are named by their place. */
  readonly answerKey: string;
  readonly questions: readonly Question[];
  readonly bankIdent: string | null;
  readonly bankRefs: readonly string[];
}

/** Reads a quiz or bank: IMS QTI 1.2 as Common Cartridge profiles it. `spans` are the texts of the same document. */
export function readQuestions(root: XmlElement, spans: readonly BodySpan[]): QuestionSet {
  const assessment = [...descendantsNamed(root, 'assessment')][0];
  const bank = [...descendantsNamed(root, 'objectbank')][0];
  const places = placesOfMaterial(root, spans);
  const textsIn = (elements: Iterable<XmlElement>): number[] =>
    [...elements].map((element) => places.get(element)).filter((place) => place !== undefined);
  const elements = [...descendantsNamed(root, 'item')];
  const questions = elements.map((e) => readQuestion(e, textsIn));
  const weights = questions.map((q) => q.points).filter((p) => p !== null);
  const keys = elements.map(answerKeyOf);
  return {
    title: clipTitle(
      (assessment && attribute(assessment, 'title')) || (bank && attribute(bank, 'ident')) || '',
    ),
    points: weights.length ? weights.reduce((a, b) => a + b, 0) : null,
    answerKey: keys.some((k) => k) ? keys.join(';') : '',
    questions,
    bankIdent: (bank && attribute(bank, 'ident')) || null,
    bankRefs: [...descendantsNamed(root, 'sourcebank_ref')].map((r) => textOf(r).trim()).filter((r) => r),
  };
}

/** What a question shows: its texts, and its pictures, sounds and films by their addresses. */
const media = new Set(['matimage', 'mataudio', 'matvideo']);
const isMaterial = ({ local }: XmlElement): boolean => local === 'mattext' || media.has(local);

/** Which of a body's texts each element of material is; pictures and the like stand among them as links. */
function placesOfMaterial(root: XmlElement, spans: readonly BodySpan[]): Map<XmlElement, number> {
  const ofText = new Map<number, number>();
  const ofAddress: number[] = [];
  spans.forEach((span, place) => {
    if (span.ordinal >= 0) ofText.set(span.ordinal, place);
    else ofAddress.push(place);
  });
  const places = new Map<XmlElement, number>();
  let texts = 0;
  let addresses = 0;
  for (const element of materialIn(root)) {
    const hasAddress = media.has(element.local) && attribute(element, 'uri') !== null;
    const place = hasAddress ? ofAddress[addresses] : ofText.get(texts);
    if (element.local === 'mattext') texts += 1;
    if (hasAddress) addresses += 1;
    if (place !== undefined && (hasAddress || element.local === 'mattext')) places.set(element, place);
  }
  return places;
}

/** Every element of material below, in document order. */
function* materialIn(element: XmlElement): Generator<XmlElement> {
  for (const child of elementsOf(element)) {
    if (isMaterial(child)) yield child;
    yield* materialIn(child);
  }
}

function readQuestion(element: XmlElement, textsIn: (elements: Iterable<XmlElement>) => number[]): Question {
  const fields = new Map(
    [...descendantsNamed(element, 'qtimetadatafield')].map((f) => [
      textOf(childNamed(f, 'fieldlabel')).trim(),
      textOf(childNamed(f, 'fieldentry')).trim(),
    ]),
  );
  const presentation = childNamed(element, 'presentation') ?? element;
  const labels = [...descendantsNamed(presentation, 'response_label')];
  const inAnswers = new Set(labels.flatMap((label) => [...materialIn(label)]));
  const right = rightIdents(element);
  return {
    ident: attribute(element, 'ident') ?? '',
    title: clipTitle(attribute(element, 'title') ?? ''),
    profile: fields.get('cc_profile') ?? '',
    points: numberIn(fields.get('cc_weighting') ?? fields.get('qmd_weighting')),
    stem: textsIn([...materialIn(presentation)].filter((material) => !inAnswers.has(material))),
    answers: labels.map((label) => {
      const ident = attribute(label, 'ident') ?? '';
      return { ident, text: textsIn(materialIn(label)), right: right.has(ident) };
    }),
  };
}

/** Answers that a condition with a score above nothing asks for. */
function rightIdents(element: XmlElement): Set<string> {
  const idents = new Set<string>();
  for (const condition of descendantsNamed(element, 'respcondition')) {
    const set = childNamed(condition, 'setvar');
    if (set && !((numberIn(textOf(set)) ?? 1) > 0)) continue;
    const refused = new Set(
      [...descendantsNamed(condition, 'not')].flatMap((n) => [...descendantsNamed(n, 'varequal')]),
    );
    for (const equal of descendantsNamed(condition, 'varequal'))
      if (!refused.has(equal)) idents.add(textOf(equal).trim());
  }
  return idents;
}

function answerKeyOf(element: XmlElement): string {
  const places = new Map(
    [...descendantsNamed(element, 'response_label')].map((l, i) => [attribute(l, 'ident'), i]),
  );
  const asked: string[] = [];
  for (const condition of descendantsNamed(element, 'respcondition'))
    for (const equal of descendantsNamed(condition, 'varequal')) {
      const value = textOf(equal).trim();
      asked.push(String(places.get(value) ?? value));
    }
  return asked.join(',');
}
