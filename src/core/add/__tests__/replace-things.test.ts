import type { LocalDateTime } from '@/core/dates/local-date';
import { linkGraphOf } from '@/core/links/graph';
import { gradeCategoryRef, gradeColumnRef, shellRef } from '@/core/refs/refs';
import type { GradeColumn, Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { addSo, category, linesOf, spring, words } from './add-so';

describe('what differs', () => {
  const course = (text: string, more: object = {}): Shell => {
    const c = new ShellComposer({ ref: shellRef(text), term: spring });
    c.module('Week 1', { ref: 'm' });
    c.page('Notes', `<p>${text} ${words}</p>`, { ref: 'p', parent: 'm', path: 'notes.html', ...more });
    c.page('Later', '<p>Read on <a href="notes.html">there</a>, and then come back to this page.</p>', {
      ref: 'l',
      parent: 'm',
      path: 'later.html',
    });
    return c.shell();
  };
  const bodies = ({ contents }: Shell) => contents.map(({ texts }) => texts[0]?.slice(0, 10));

  test('is kept, replaced in its place, or put beside', () => {
    const [shell, source] = [course('Old'), course('New', { due: '2027-02-01T10:00:00' as LocalDateTime })];
    expect(addSo(shell, source).edits).toEqual([]);
    const replaced = addSo(shell, source, { differs: 'replace' });
    expect(linesOf(replaced.after)).toEqual(linesOf(shell));
    expect(bodies(replaced.after)).toEqual(['<p>New Sta', '<p>Read on']);
    expect(replaced.after.items[1]).toMatchObject({ ref: 'p', due: '2027-02-01T10:00:00' });
    expect(replaced.landed.get('item p')).toMatchObject({ ref: 'p', module: 'm' });
    expect(linkGraphOf(replaced.after).broken).toEqual([]);
    const beside = addSo(shell, source, { differs: 'beside' });
    expect(linesOf(beside.after)).toEqual(['Week 1', '  Notes', '  Notes', '  Later']);
    expect(beside.landed.get('item p')).toMatchObject({ ref: 'p-2', after: 'p' });
  });

  test('a category of another weight differs, and is replaced on demand', () => {
    const column: GradeColumn = {
      ref: gradeColumnRef('c'),
      title: 'Rating',
      category: gradeCategoryRef('there'),
      points: 10,
      results: 0,
      extra: {},
    };
    const here: Shell = { ...course('Same'), gradeCategories: [category('k', 'Labs', 20)] };
    const there: Shell = {
      ...course('Same'),
      gradeCategories: [category('there', 'Labs', 30)],
      gradeColumns: [column],
    };
    const labs = (wish: Parameters<typeof addSo>[2]) => addSo(here, there, wish).after.gradeCategories;
    expect(labs({})).toEqual([category('k', 'Labs', 20)]);
    expect(labs({ replace: ['there'] })).toEqual([category('k', 'Labs', 30)]);
    // What comes along is in the category that is here.
    expect(addSo(here, there).after.gradeColumns).toMatchObject([{ category: 'k' }]);
  });
});
