import type { Shell } from '@/core/shell/model';
import { emptyShell } from '@/core/shell/empty-shell';
import { checkCases, day } from '../__tests__/check-cases';
import { titleTerm } from './title-term';

const named = (over: Partial<Shell>) => () => over;
const framed = (title: string) => () => ({ frame: { ...emptyShell.frame, title } });
const untitled = { term: { title: '', start: day('2027-01-11'), end: day('2027-05-07') } };

checkCases(titleTerm, {
  fires: [
    {
      name: 'an earlier term in the title',
      build: named({ title: 'Stream Ecology, Autumn 2025' }),
      subjects: [['case']],
    },
    {
      name: 'a later term, too, is another one',
      build: named({ title: 'Stream Ecology Spring 2028' }),
      subjects: [['case']],
    },
    { name: 'in the package’s title', build: framed('Stream Ecology – Fall ’25'), subjects: [['case']] },
    { name: 'in the code', build: named({ code: 'HYD-214-F25' }), subjects: [['case']] },
    {
      name: 'the same year, another season',
      build: named({ title: 'Stream Ecology Summer 2027' }),
      subjects: [['case']],
    },
    {
      name: 'only the days of the term are known',
      build: named({ title: 'Stream Ecology Autumn 2025', ...untitled }),
      subjects: [['case']],
    },
    {
      name: 'an academic year',
      build: named({ title: 'Stream Ecology 2024-25', ...untitled }),
      subjects: [['case']],
    },
  ],
  silent: [
    { name: 'its own term', build: named({ title: 'Stream Ecology Spring 2027' }) },
    { name: 'its own term, short', build: named({ code: 'HYD-214-SP27' }) },
    { name: 'no term at all', build: named({ title: 'Stream Ecology' }) },
    { name: 'a number of the course', build: named({ title: 'Stream Ecology 2', code: 'HYD 2140' }) },
    { name: 'its own academic year', build: named({ title: 'Stream Ecology 2026-27', ...untitled }) },
    {
      name: 'nobody told the term',
      build: named({ title: 'Autumn 2025', term: { title: '', start: null, end: null } }),
    },
    { name: 'a season of nature', build: named({ title: 'Fall streams' }) },
  ],
});
