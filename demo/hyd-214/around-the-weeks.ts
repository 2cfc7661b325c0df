/** Pages that stand around the weeks of HYD 214, written by hand: title and text. */
export const startPages: readonly (readonly [string, string])[] = [
  [
    'Welcome to the stream',
    '<p>This course is taught outdoors, in any weather that lets a van drive. You will get wet, you will learn to measure, and you will argue about numbers with people who live beside the water.</p>',
  ],
  [
    'How the weeks run',
    '<p>Readings before Monday, the field on Wednesday or Thursday, the lab sheet by Friday night, and a talk over the weekend about what went otherwise than planned.</p>',
  ],
  [
    'How you are marked',
    '<p>Fourteen lab sheets at twenty points, the site project at sixty, quizzes for your own good. The two lowest lab sheets do not count.</p>',
  ],
  [
    'Borrowing the kit',
    '<p>The store opens on Tuesdays from two to four. You sign for what you take, and you say what broke; nobody is blamed, and everybody is told.</p>',
  ],
  [
    'Where the sites are',
    '<p>Alder Bridge and Mill Weir are a walk from the college. Otter Riffle and Fallow Ford need the van. The map shows parking, exits and the places with a phone signal.</p>',
  ],
  [
    'If you cannot come',
    '<p>Write before the van leaves. There is a bank-side task for those who must stay dry, and a spare day in week twelve.</p>',
  ],
  [
    'Words that we use',
    '<p>Stage is a height, discharge a volume in time, load a mass in time. If you mix them up in a report, the report comes back.</p>',
  ],
  [
    'People to ask',
    '<p>The course lead for the plan, the technician for the kit, the warden of the weir for the gate. Their office hours hang on the door of Laboratory 2.</p>',
  ],
];

export const project: readonly (readonly [string, string])[] = [
  [
    'Choose a site',
    'Pick a reach that you can reach without a car, ask whoever owns the bank, and bring one photograph and one question.',
  ],
  [
    'Plan the sampling',
    'Say what you will measure, how often, and what you will do when it rains. A plan that survives rain is a good plan.',
  ],
  [
    'Site report',
    'Hand in the report of your site: four pages, two figures, one table, and a paragraph about what you would do otherwise.',
  ],
  [
    'Read two other reports',
    'Read two reports by others as somebody who has to repeat the work. Mark every sentence at which you had to guess.',
  ],
  [
    'Archive your data',
    'A table that opens without you in the room: units in the header, dates as year, month and day, and a note on every gap.',
  ],
];

export const fieldDays: readonly (readonly [string, string])[] = [
  [
    'Field day at Alder Bridge',
    'We walk. Meet at the north gate with boots on; the map is drawn on the way.',
  ],
  [
    'Field day at Mill Weir',
    'The warden opens the gate at ten. Nobody stands on the apron, whatever the level.',
  ],
  [
    'Field day at Otter Riffle',
    'The van leaves at 8:15. Bring the orange bag, both meters and a second pair of socks.',
  ],
  [
    'Night at Otter Riffle',
    'For those who watch the oxygen before dawn: tents stand on the upper terrace, and fires are not allowed.',
  ],
  [
    'Field day at Fallow Ford',
    'The ford is a road. Two people in bright vests stand on both sides for as long as anybody is in the water.',
  ],
  ['Spare field day', 'Kept free for the site that the weather took from us.'],
];
