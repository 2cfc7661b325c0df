import { givenFor } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { countSentence, replaceSentence } from '@/core/text/replace-sentence';
import type { Shell } from '@/core/shell/model';
import { bodyOf, type Body } from '../links/written-addresses';
import { isAttachment } from '../links/drop-text';
import { defineAction, recordOf } from '@/core/plan/action/action';
import { inEachBody } from './in-each-body';

const sentence = z.strictObject({ from: z.string().trim().min(1), to: z.string() });
const edits = z.array(sentence).min(1);
type Edits = z.output<typeof edits>;

/** Replaces sentences in the targets’ texts, wherever they stand there; markup stays. */
export const editText = defineAction({
  name: 'edit-text',
  label: 'Edit',
  title: 'Edit the text',
  toDo: ({ title, sets }) => ({
    what: `Edit the text of “${title}”: ${sets.replace.map(({ from, to }) => `“${from}” becomes “${to}”`).join('; ')}.`,
    lookFor: 'It reads as written here.',
  }),
  isSetting: true,
  nothing: 'the text says so already',
  phase: 'links',
  on: ['item', 'file', 'bank'],
  only: 'it has no text to edit',
  params: z.strictObject({ sentences: refRecord(edits) }),
  perTarget: ['sentences'],
  expects: z.strictObject({ found: z.array(z.number()) }),
  sets: z.strictObject({ replace: edits }),
  setsOf: (params, ref) => givenFor('replace', params.sentences, ref),
  paramsOf: (targets) => ({ sentences: recordOf(targets, (sets) => [...sets.replace]) }),
  now: (shell, ref, sets) => {
    const texts = textsOf(bodyOf(shell, ref));
    const found = sets.replace.map(({ from }) => texts.reduce((n, text) => n + countSentence(text, from), 0));
    return { found };
  },
  isSet: (now, sets, shell, ref) => {
    const texts = textsOf(bodyOf(shell, ref));
    const isDone = ({ from, to }: Edits[number]) =>
      from === to || (to !== '' && texts.some((text) => countSentence(text, to) > 0));
    return now.found.every((n) => n === 0) && sets.replace.every(isDone);
  },
  apply: (shell, targets) =>
    inEachBody(shell, targets, (now, body, sets) => {
      const missing = sets.replace.find(
        ({ from }) => !textsOf(body).some((text) => countSentence(text, from) > 0),
      );
      return missing
        ? `“${missing.from}” does not stand in its text, or stands across paragraphs; edit it by hand`
        : edited(now, body, sets.replace);
    }),
});

/** The texts of a body that people read; attachments are none. */
function textsOf(body: Body | null): readonly string[] {
  if (body === null) return [];
  if (body.is === 'file') return body.file.mediaType === 'text/html' ? [body.file.text ?? ''] : [];
  return body.content.texts.filter((text) => body.content.kind === 'page' || !isAttachment(text));
}

function edited(shell: Shell, body: Body, replace: Edits): Shell {
  const change = (text: string) =>
    replace.reduce((now, { from, to }) => replaceSentence(now, from, to), text);
  if (body.is === 'file') {
    const file = { ...body.file, text: change(body.file.text ?? '') };
    return { ...shell, files: shell.files.map((f) => (f === body.file ? file : f)) };
  }
  const { content } = body;
  const keep = (text: string) => content.kind !== 'page' && isAttachment(text);
  const texts = content.texts.map((text) => (keep(text) ? text : change(text)));
  return { ...shell, contents: shell.contents.map((c) => (c === content ? { ...content, texts } : c)) };
}
