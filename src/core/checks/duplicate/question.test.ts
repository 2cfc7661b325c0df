import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { QuizQuestion } from '@/formats/cartridge/write-bodies';
import { checkCases } from '../__tests__/check-cases';
import { duplicateQuestion } from './question';

const ask = (stem: string, answers = ['one', 'two'], right = 0): QuizQuestion => ({
  stem,
  answers,
  right,
  points: 2,
});
const quiz =
  (...questions: QuizQuestion[]) =>
  (c: ShellComposer) =>
    void c.quiz('Q', questions, { ref: 'q' });

checkCases(duplicateQuestion, {
  fires: [
    {
      name: 'twice in a quiz',
      build: quiz(ask('How high?'), ask('How wide?'), ask('How high?')),
      subjects: [['q']],
      expect: ([f], shell) => {
        expect(f!.remedy).toMatchObject({ action: 'delete', kind: 'safe', targets: ['q'] });
        expect(f!.remedy!.params.questions).toEqual([shell.contents[0]!.questions[2]!.ident]);
      },
    },
    {
      name: 'three times: two go',
      build: quiz(ask('How high?'), ask('How high?'), ask('How high?')),
      subjects: [['q']],
      expect: ([f]) => expect(f!.remedy!.params.questions).toHaveLength(2),
    },
    {
      name: 'two pairs',
      build: quiz(ask('A?'), ask('B?'), ask('A?'), ask('B?')),
      subjects: [['q']],
      expect: ([f]) => expect(f!.evidence).toHaveLength(2),
    },
    {
      name: 'other markup and case',
      build: quiz(ask('<p>How high?</p>'), ask('<div><b>HOW</b> high?</div>')),
      subjects: [['q']],
    },
    {
      name: 'in a bank',
      build: (c) => c.bank('b', [ask('How high?'), ask('How high?')], 'b.xml'),
      subjects: [['resource:b1']],
    },
    {
      name: 'in a quiz and in a bank',
      build: (c) => {
        quiz(ask('A?'), ask('A?'))(c);
        c.bank('b', [ask('A?'), ask('A?')], 'b.xml');
      },
      subjects: [['q'], ['resource:b2']],
    },
  ],
  silent: [
    { name: 'other answers', build: quiz(ask('How high?'), ask('How high?', ['three', 'four'])) },
    { name: 'another right answer', build: quiz(ask('How high?'), ask('How high?', ['one', 'two'], 1)) },
    { name: 'answers in another order', build: quiz(ask('How high?'), ask('How high?', ['two', 'one'])) },
    { name: 'other stems', build: quiz(ask('How high?'), ask('How wide?')) },
    {
      name: 'in two quizzes',
      build: (c) => {
        c.quiz('A', [ask('How high?')]);
        c.quiz('B', [ask('How high?')]);
      },
    },
    {
      name: 'no words',
      build: quiz(ask('<img src="https://x.example/a.png">'), ask('<img src="https://x.example/b.png">')),
    },
    { name: 'one question', build: quiz(ask('How high?')) },
  ],
});
