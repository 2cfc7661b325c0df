import { parse as parseCsv } from 'csv-parse/sync';
import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import readWorkbook from 'read-excel-file/node';
import { drawPage } from './draw-page';
import { drawCsv } from './draw-table';
import { drawWorkbook } from './draw-workbook';
import { reportSchema, tableOf, type Report } from './report';

const hostile = '<script>alert(1)</script> & "quoted"';
const formula = '=HYPERLINK("http://somewhere.example","x")';
const report: Report = {
  schema: 'currycomb.report/1',
  of: 'sign-off',
  title: `HYD 214 ${hostile}`,
  about: ['Spring 2027'],
  figure: '98 % smooth',
  tables: [
    ...tableOf(
      'one',
      'What / is: left?',
      ['Title', 'Count'],
      [
        [hostile, 12],
        [formula, 3.5],
        ['two\nlines', 0],
      ],
    ),
    ...tableOf('two', 'What / is: left?', ['Only'], [['x']]),
    ...tableOf('none', 'Nothing', ['Only'], []),
  ],
  signatures: ['Looked over by'],
};

type Node = DefaultTreeAdapterTypes.Node;
const namesIn = (node: Node): string[] => [
  node.nodeName,
  ...('childNodes' in node ? node.childNodes.flatMap(namesIn) : []),
];

describe('a report', () => {
  it('is JSON by its schema, without the tables that have no rows', () => {
    expect(reportSchema.parse(JSON.parse(JSON.stringify(report))).tables.map(({ id }) => id)).toEqual([
      'one',
      'two',
    ]);
  });

  it('is a page in which nothing of a package becomes markup, and that loads nothing', () => {
    const page = drawPage(report);
    const names = new Set(namesIn(parse(page)));
    expect(names.has('script')).toBe(false);
    for (const loading of ['img', 'link', 'iframe', 'object']) expect(names.has(loading)).toBe(false);
    expect(page).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; "quoted"');
    expect(page).toContain('two<br>lines');
    expect(page).toContain('<td class="number">3.5</td>');
  });

  it('is CSV that another reader takes apart again, formulas marked as text (RFC 4180)', () => {
    const rows: unknown = parseCsv(drawCsv(report, null) ?? '');
    expect(rows).toEqual([
      ['Title', 'Count'],
      [hostile, '12'],
      [`'${formula}`, '3.5'],
      ['two\nlines', '0'],
    ]);
    expect(drawCsv(report, 'two')).toBe('Only\r\nx\r\n');
    expect(drawCsv(report, 'nowhere')).toBeNull();
  });

  it('is a workbook that another reader opens: text as text, numbers as numbers, no formula', async () => {
    const bytes = await drawWorkbook(report, new Date('2027-01-04T09:00:00Z'));
    const sheets = await readWorkbook(bytes);
    expect(sheets.map(({ sheet }) => sheet)).toEqual(['Report', 'What   is  left', 'What   is  left 2']);
    expect(sheets[1]?.data).toEqual([
      ['Title', 'Count'],
      [hostile, 12],
      [formula, 3.5],
      ['two\nlines', 0],
    ]);
  });
});
