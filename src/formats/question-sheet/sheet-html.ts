import type { Question, QuestionSheet } from '@/core/questions/question';
import { escapeAttribute, escapeText } from '@/core/text/escape-markup';
import { sheetStyle } from './sheet-style';

/** Data inside a script element: nothing in it can end the element (HTML, 4.12.1.3). */
const asData = (value: unknown): string => JSON.stringify(value).replace(/</g, '\\u003c');

/**
 * The question sheet as one page that needs nothing else: answered by mouse and saved, or printed and answered by pen.
 * The saved page holds the answers as JSON in the element `answers`, where they are read back from.
 */
export function sheetHtml(sheet: QuestionSheet): string {
  const title = `Questions about ${sheet.shell}`;
  const known = sheet.questions.map(({ id, findings }) => ({ id, findings, answer: null, note: '' }));
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escapeText(title)}</title><style>${sheetStyle}</style></head><body>
<h1>${escapeText(title)}</h1>
<p>${escapeText([sheet.term, `made on ${sheet.made}`].filter((part) => part !== '').join(', '))}. Please tick one answer for each question, then press “Save the answers” and send the file back; or print the page and tick by pen. Nothing is changed by answering.</p>
<form id="sheet">
${sheet.questions.map(questionHtml).join('\n')}
</form>
<p class="foot"><button type="button" id="save">Save the answers</button> <span id="state" role="status"></span></p>
<script type="application/json" id="answers">${asData({ schema: 'currycomb.answers/1', answers: known })}</script>
<script>${saveScript}</script>
</body></html>
`;
}

function questionHtml(question: Question, k: number): string {
  const name = `q${k}`;
  const yes = question.proposal === null ? 'Put it right by hand' : `Yes: ${question.proposal}`;
  const choice = (value: string, words: string) =>
    `<label><input type="radio" name="${name}" value="${value}"> ${escapeText(words)}</label>`;
  return `<fieldset data-question="${escapeAttribute(question.id)}">
<legend>${k + 1}. ${escapeText(question.asks)}</legend>
<ul>${question.things.map((thing) => `<li>${escapeText(thing)}</li>`).join('')}</ul>
<div class="answers">${choice('yes', yes)}${choice('no', 'No: leave it as it is')}${choice('unsure', 'I do not know')}</div>
<label class="note">Anything to add <textarea rows="2"></textarea></label>
</fieldset>`;
}

/** Writes the answers into the page’s own data and hands the page out as a file. */
const saveScript = `
const data = document.getElementById('answers');
const state = document.getElementById('state');
const sheet = JSON.parse(data.textContent);
const fields = [...document.querySelectorAll('fieldset')];
fields.forEach((field, k) => {
  const known = sheet.answers[k];
  const box = known.answer && field.querySelector('input[value="' + known.answer + '"]');
  if (box) box.checked = true;
  field.querySelector('textarea').value = known.note;
});
document.getElementById('save').addEventListener('click', () => {
  fields.forEach((field, k) => {
    const box = field.querySelector('input:checked');
    sheet.answers[k].answer = box ? box.value : null;
    sheet.answers[k].note = field.querySelector('textarea').value.trim();
  });
  const left = sheet.answers.filter((one) => one.answer === null).length;
  data.textContent = JSON.stringify(sheet).replaceAll('<', '\\\\u003c');
  const page = new Blob(['<!doctype html>\\n', document.documentElement.outerHTML], { type: 'text/html' });
  const link = document.createElement('a');
  link.href = URL.createObjectURL(page);
  link.download = document.title.replace(/[^\\p{L}\\p{N}]+/gu, '-') + '-answered.html';
  link.click();
  state.textContent = left === 0 ? 'Saved with all answers.' : 'Saved; ' + left + ' still without an answer.';
});
`;
