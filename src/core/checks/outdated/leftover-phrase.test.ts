import { checkCases } from '../__tests__/check-cases';
import { textFires, textSilent } from '../__tests__/text-cases';
import { leftoverPhrase } from './leftover-phrase';

const rules = { leftoverPhrases: ['Old Mill help line', 'tarn-desk', 'ext. 4417', 'the blue menu'] };

checkCases(leftoverPhrase, {
  fires: [
    ...textFires(
      [
        'Call the Old Mill help line.',
        'call the OLD MILL HELP LINE',
        'Old  Mill help&nbsp;line',
        'Write to tarn-desk.',
        'Tarn-Desk answers.',
        '(tarn-desk)',
        'Dial ext. 4417.',
        'ext. 4417, room 3',
        'Open the blue menu.',
        'The Blue Menu has it.',
        '“the blue menu”',
        'See tarn-desk, or the blue menu.',
        'Old Mill<br>help line',
        'Ask: tarn-desk?',
        'tarn-desk/forms',
      ],
      { rules },
    ),
    {
      name: 'in a title',
      build: (c) => void c.page('How to use tarn-desk', '<p>x</p>', { ref: 'p' }),
      subjects: [['p']],
      rules,
    },
  ],
  silent: [
    ...textSilent(
      [
        'Call the New Mill help line.',
        'The mill’s help line',
        'Old Mill',
        'starn-desk',
        'tarn-desks',
        'tarn desk',
        'ext. 44170',
        'ext 4417',
        'the bluest menu',
        'a blue menu',
        'the blue menus',
        'help line of the Old Mill',
        'tarn—desk',
        'extension 4417',
        'Old Mills help line',
      ],
      { rules },
    ),
    { name: 'the list is empty', build: (c) => void c.page('P', '<p>tarn-desk</p>') },
    {
      name: 'an empty phrase',
      build: (c) => void c.page('P', '<p>x</p>'),
      rules: { leftoverPhrases: [' '] },
    },
  ],
});
