import { checkCases } from '../__tests__/check-cases';
import { sameContent } from './same-content';

const text = '<p>Stand downstream of the gauge and read at eye level, where the water meets the scale.</p>';
const question = (right: number, ...answers: string[]) => [
  { stem: '<p>Stage is measured from which zero of the station?</p>', answers, right, points: 2 },
];

checkCases(sameContent, {
  fires: [
    {
      name: 'two pages, word for word',
      build: (c) => {
        c.page('Gauge', text, { ref: 'a' });
        c.page('Reading', text, { ref: 'b' });
      },
      subjects: [['a', 'b']],
      expect: ([f]) =>
        expect(f).toMatchObject({
          keep: 'a',
          remedy: { targets: ['b'], params: { relink: { b: 'a' } }, kind: 'safe' },
        }),
    },
    {
      name: 'markup, case and white space differ',
      build: (c) => {
        c.page('Gauge', text, { ref: 'a' });
        c.page(
          'Gauge',
          '<html><head><title>x</title></head><body><div>Stand&nbsp;downstream of the <b>GAUGE</b> and\n read at eye level, where the water meets the scale.</div></body></html>',
          { ref: 'b' },
        );
      },
      subjects: [['a', 'b']],
    },
    {
      name: 'three of them; the one with student work stays',
      build: (c) => {
        c.assignment('One', text, 10, { ref: 'a' });
        c.assignment('Two', text, 10, { ref: 'b', studentWork: 3 });
        c.assignment('Three', text, 10, { ref: 'c' });
      },
      subjects: [['a', 'b', 'c']],
      expect: ([f]) =>
        expect(f).toMatchObject({
          keep: 'b',
          title: '“Two” stands 3 times with the same content',
          remedy: { targets: ['a', 'c'] },
        }),
    },
    {
      name: 'each links to its own copy of the same picture',
      build: (c) => {
        for (const k of ['a', 'b']) {
          c.file(`${k}/pic.png`, Buffer.from([1, 2, 3, 4]));
          c.page('Gauge', `${text}<img src="pic.png">`, { ref: k, path: `${k}/page.html` });
        }
      },
      subjects: [['a', 'b']],
    },
    {
      name: 'short texts with equal titles',
      build: (c) => {
        c.page('Map', '<p>See below</p>', { ref: 'a' });
        c.page(' map ', '<p>See below</p>', { ref: 'b' });
      },
      subjects: [['a', 'b']],
    },
    {
      name: 'the hidden one goes, and the one outside the outline goes before that',
      build: (c) => {
        c.discussion('Talk', text, { ref: 'a', shown: false });
        c.discussion('Talk', text, { ref: 'b' });
        c.discussion('Talk', text, { outside: true });
      },
      subjects: [['a', 'b', 'resource:r3']],
      expect: ([f]) => expect(f!.keep).toBe('b'),
    },
    {
      name: 'two quizzes with the same questions under other idents',
      build: (c) => {
        c.quiz('Check', question(1, 'the bed', 'a datum'), { ref: 'a' });
        c.quiz('Check again', question(1, 'the bed', 'a datum'), { ref: 'b' });
      },
      subjects: [['a', 'b']],
    },
    {
      name: 'links to the one that goes lead to the one that stays',
      build: (c) => {
        c.page('Gauge', text, { ref: 'a', path: 'a/one.html' });
        c.page('Gauge (2)', text, { ref: 'b', path: 'b/two.html' });
        c.page(
          'Start',
          '<p>Read <a href="../b/two.html?x=1#part">this</a> and <a href="../a/one.html">this</a> and <a href="../a/one.html#again">this</a>.</p>',
          { ref: 's', path: 's/start.html' },
        );
      },
      subjects: [['a', 'b']],
      expect: ([f]) => expect(f!.keep).toBe('a'),
    },
  ],
  silent: [
    {
      name: 'one word differs',
      build: (c) => {
        c.page('Gauge', text);
        c.page('Gauge', text.replace('downstream', 'upstream'));
      },
    },
    {
      name: 'the same words, but another link target',
      build: (c) => {
        c.file('a.pdf', 'first');
        c.file('b.pdf', 'second');
        c.page('Gauge', `${text}<a href="../a.pdf">file</a>`);
        c.page('Gauge', `${text}<a href="../b.pdf">file</a>`);
      },
    },
    {
      name: 'other points',
      build: (c) => {
        c.assignment('Notebook', text, 10);
        c.assignment('Notebook', text, 20);
      },
    },
    {
      name: 'another kind',
      build: (c) => {
        c.page('Gauge', text);
        c.discussion('Gauge', text);
      },
    },
    {
      name: 'both empty',
      build: (c) => {
        c.page('Gauge', '<p> </p>');
        c.page('Gauge', '<p></p>');
      },
    },
    {
      name: 'short texts under different titles',
      build: (c) => {
        c.page('Map of the weir', '<p>See below</p>');
        c.page('Map of the ford', '<p>See below</p>');
      },
    },
    {
      name: 'one page placed twice',
      build: (c) => {
        c.page('Gauge', text, { ref: 'a' });
        c.placeAgain('a', 'Gauge once more');
      },
    },
    {
      name: 'the same questions, but another answer counts',
      build: (c) => {
        c.quiz('Check', question(0, 'the bed', 'a datum'));
        c.quiz('Check', question(1, 'the bed', 'a datum'));
      },
    },
  ],
});
