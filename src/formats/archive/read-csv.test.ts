import { longestRow, mostColumns, readCsv } from './read-csv';

describe('a table', () => {
  it('is read with rows of odd lengths, which are told', () => {
    const { header, rows, notes } = readCsv('ref,title\na,One\nb\n', 'x.csv');
    expect(header).toEqual(['ref', 'title']);
    expect(rows.map(({ cells }) => cells)).toEqual([['a', 'One'], ['b']]);
    expect(notes).toHaveLength(1);
  });

  it('may have long cells, and is refused with a sentence where a row is longer than any', () => {
    const cell = 't'.repeat(longestRow - 100);
    expect(readCsv(`ref,title\na,${cell}\n`, 'x.csv').rows[0]?.cells[1]).toHaveLength(cell.length);
    for (const text of ['ref'.padEnd(longestRow + 10, 'x'), `ref\n${'t'.repeat(longestRow + 10)}\n`])
      expect(() => readCsv(text, 'x.csv')).toThrow('has a row of more than 1,000,000 characters');
    expect(() => readCsv(`a${',b'.repeat(mostColumns)}`, 'x.csv')).toThrow(
      'columns, and at most 500 are read',
    );
    expect(() => readCsv('ref\n"a\n', 'x.csv')).toThrow('a quotation mark is missing or misplaced');
  });
});
