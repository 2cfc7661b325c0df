import { defaultTreeAdapter as tree, html, serializeOuter, type DefaultTreeAdapterTypes } from 'parse5';
import type { Report, ReportTable } from './report';

type Element = DefaultTreeAdapterTypes.Element;
type Child = Element | string;

/** An element of a page. Text is text: only the tree is written, so nothing that a package says becomes markup. */
function element(
  name: string,
  attributes: Readonly<Record<string, string>>,
  ...children: readonly Child[]
): Element {
  const attrs = Object.entries(attributes).map(([key, value]) => ({ name: key, value }));
  const node = tree.createElement(name, html.NS.HTML, attrs);
  for (const child of children) {
    if (typeof child === 'string') tree.insertText(node, child);
    else tree.appendChild(node, child);
  }
  return node;
}
const plain = (name: string, ...children: readonly Child[]): Element => element(name, {}, ...children);

/** A report as one self-contained page that prints well on A4 and Letter; it loads nothing and runs nothing. */
export function drawPage(report: Report): string {
  const { title, about, figure, tables, signatures } = report;
  const head = plain(
    'head',
    element('meta', { charset: 'utf-8' }),
    plain('title', title),
    plain('style', style),
  );
  const body = plain(
    'body',
    plain('h1', title),
    ...about.map((line) => plain('p', line)),
    element('p', { class: 'figure' }, figure),
    ...tables.map(section),
    ...(signatures.length > 0 ? [signed(signatures)] : []),
  );
  return `<!doctype html>\n${serializeOuter(element('html', { lang: 'en' }, head, body))}\n`;
}

function section({ id, title, says, columns, rows }: ReportTable): Element {
  const isNumber = (column: number) =>
    rows.length > 0 && rows.every((row) => typeof row[column] === 'number');
  const header = plain('tr', ...columns.map((column, n) => headCell(column, isNumber(n))));
  const lines = rows.map((row) =>
    plain('tr', ...row.map((cell) => (typeof cell === 'number' ? numberCell(cell) : textCell(cell)))),
  );
  return element(
    'section',
    { id },
    plain('h2', title),
    ...(says === '' ? [] : [plain('p', says)]),
    plain('table', plain('thead', header), plain('tbody', ...lines)),
  );
}

const headCell = (text: string, isNumber: boolean): Element =>
  element('th', isNumber ? { scope: 'col', class: 'number' } : { scope: 'col' }, text);

const numberCell = (value: number): Element =>
  element('td', { class: 'number' }, value.toLocaleString('en', { maximumFractionDigits: 2 }));

/** What is said in several lines stands in several lines. */
const textCell = (text: string): Element =>
  plain('td', ...text.split('\n').flatMap((line, n): Child[] => (n === 0 ? [line] : [plain('br'), line])));

const signed = (lines: readonly string[]): Element =>
  element('section', { class: 'signed' }, ...lines.map((line) => plain('p', plain('span', ''), line)));

const style = `@page{margin:16mm 14mm}
body{font:15px/1.5 "Atkinson Hyperlegible Next",system-ui,sans-serif;color:#221b14;background:#fffdf8;max-width:64rem;margin:2rem auto;padding:0 1rem}
h1,h2{font-family:Fraunces,Georgia,serif;line-height:1.2}h1{margin-bottom:.3rem}h2{margin-top:1.8rem;break-after:avoid}
body>p{margin:.1rem 0}.figure{font-size:1.2rem;margin:.6rem 0}
table{border-collapse:collapse;min-width:40%;max-width:100%;font-variant-numeric:tabular-nums}
th,td{text-align:left;vertical-align:top;padding:.35rem .6rem .35rem 0;border-bottom:1px solid #ded3c1;overflow-wrap:break-word}
td.number,th.number{text-align:right;padding-right:1.2rem;white-space:nowrap}thead{display:table-header-group}tr{break-inside:avoid}
.signed{display:flex;gap:2rem;margin-top:3rem;break-inside:avoid}.signed p{flex:1}.signed span{display:block;border-bottom:1px solid #221b14;height:2.4rem}
@media print{body{margin:0;max-width:none;padding:0;font-size:10.5px;background:none}}`;
