import { linesOf, ownOf, termsOf, withList, withSetting, withTerms } from './written-rules';

test('only what differs from the defaults is written', () => {
  const one = withSetting({}, 'a.b', 'days', 7, 14);
  expect(one).toEqual({ checks: { 'a.b': { days: 7 } } });
  const two = withSetting(one, 'a.b', 'on', false, true);
  expect(ownOf(two, 'a.b')).toEqual({ days: 7, on: false });
  expect(withSetting(withSetting(two, 'a.b', 'on', true, true), 'a.b', 'days', 14, 14)).toEqual({});
  expect(withSetting({ name: 'Rivers', checks: { c: { on: false } } }, 'a.b', 'days', 1, 2)).toEqual({
    name: 'Rivers',
    checks: { c: { on: false }, 'a.b': { days: 1 } },
  });
});

test('lists', () => {
  expect(withList({}, 'keyMarks', ['AK', 'KEY'], ['AK', 'KEY'])).toEqual({});
  expect(withList({}, 'keyMarks', ['AK'], ['AK', 'KEY'])).toEqual({ keyMarks: ['AK'] });
  expect(withList({ keyMarks: ['AK'] }, 'keyMarks', ['AK', 'KEY'], ['AK', 'KEY'])).toEqual({});
  expect(linesOf(' one \n\n two\n')).toEqual(['one', 'two']);
});

test('terms', () => {
  const spring = { title: 'Spring 2027', start: '2027-01-11', end: '2027-05-07' };
  expect(termsOf({})).toEqual([]);
  expect(termsOf(withTerms({ name: 'Rivers' }, [spring]))).toEqual([spring]);
  expect(withTerms({ name: 'Rivers', terms: [spring] }, [])).toEqual({ name: 'Rivers' });
});
