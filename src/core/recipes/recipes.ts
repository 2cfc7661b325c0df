import type { Recipe, RecipeFacts, RecipeStep } from './recipe';

const none = (facts: RecipeFacts, ...checks: readonly string[]): boolean =>
  facts.isCombed && checks.every((check) => !facts.undecided.get(check));

const comb: RecipeStep = {
  id: 'comb',
  title: 'Comb it',
  says: 'Look for what does not belong. It changes nothing.',
  at: 'comb',
  isDone: ({ isCombed }) => isCombed,
};
const keepCopy: RecipeStep = {
  id: 'keep-copy',
  title: 'Keep a copy',
  says: 'Download the package as it stands now, and put it where you find it again.',
  at: 'prove',
  isDone: null,
};
const redate: RecipeStep = {
  id: 're-date',
  title: 'Bring the dates into this term',
  says: 'Move what lies outside the term to the same week and weekday, and look at the table before.',
  at: 'decide/re-date',
  isDone: (facts) =>
    none(
      facts,
      'outdated.date-outside-term',
      'calendar.outside-term',
      'calendar.carried-over',
      'visibility.never-open',
    ),
};
const carryOut: RecipeStep = {
  id: 'carry-out',
  title: 'Rehearse and carry out',
  says: 'See what will change, then do it. It can be taken back.',
  at: 'rehearse',
  isDone: ({ planSize, runs }) => planSize === 0 && runs > 0,
};
const asStudent: RecipeStep = {
  id: 'as-student',
  title: 'Look at it as a student',
  says: 'Walk through the first weeks and see what they get.',
  at: 'prove/student',
  isDone: null,
};
const openingDay: RecipeStep = {
  id: 'opening-day',
  title: 'Go through the opening-day list',
  says: 'Every line is checked, and none of them is in the way of letting students in.',
  at: 'prove/opening-day',
  isDone: ({ isCombed, inTheWay, unchecked }) => isCombed && inTheWay === 0 && unchecked === 0,
};
const sign: RecipeStep = {
  id: 'sign',
  title: 'Have it signed',
  says: 'Print the page to be signed, or send it to the teacher.',
  at: 'prove',
  isDone: null,
};

/** The recipes, by how often they are used; common practice, no source. */
export const recipes: readonly Recipe[] = [
  {
    id: 'make-ready',
    title: 'Make ready',
    when: 'A shell that was filled by copying, in the weeks before term',
    steps: [
      comb,
      {
        id: 'fix-first',
        title: 'Settle what students would notice first',
        says: 'Decide on everything that is marked Fix first.',
        at: 'decide?urgency=fix-first',
        isDone: ({ isCombed, fixFirst }) => isCombed && fixFirst === 0,
      },
      redate,
      carryOut,
      asStudent,
      openingDay,
      sign,
    ],
  },
  {
    id: 'lay-by',
    title: 'Lay by',
    when: 'The end of term: what is worth keeping becomes the master for the next',
    steps: [
      keepCopy,
      comb,
      {
        id: 'prune',
        title: 'Prune what nobody needs',
        says: 'Take every remedy that loses nothing: doubles, empty modules, files that nothing uses.',
        at: 'comb',
        isDone: ({ isCombed, safe }) => isCombed && safe === 0,
      },
      {
        id: 'clear-dates',
        title: 'Clear the dates',
        says: 'A master has no dates of a term: choose “Clear” and look at the table.',
        at: 'decide/re-date',
        isDone: null,
      },
      carryOut,
      {
        id: 'keep-master',
        title: 'Keep it as the master',
        says: 'Download the clean package; the next term is copied from it.',
        at: 'prove',
        isDone: null,
      },
    ],
  },
  {
    id: 'clean-slate',
    title: 'Clean slate',
    when: 'A shell that is to be emptied, all but a few things',
    steps: [
      keepCopy,
      {
        id: 'reset',
        title: 'Reset it, keeping what you name',
        says: 'Choose the areas and what stays, rehearse, arm it with the shell’s code.',
        at: 'carry-out/reset',
        isDone: ({ leftByReset }) => leftByReset !== null,
      },
      {
        id: 'empty',
        title: 'See that it is empty',
        says: 'The run reads the shell again and says what is left of what was to go.',
        at: 'carry-out',
        isDone: ({ leftByReset }) => leftByReset === 0,
      },
      asStudent,
    ],
  },
  {
    id: 'take-over',
    title: 'Take over',
    when: 'A shell that came from another system',
    steps: [
      comb,
      {
        id: 'links',
        title: 'Mend the links',
        says: 'Lead on or take out what leads nowhere, and what still leads into the old system.',
        at: 'decide?check=orphan.broken-link',
        isDone: (facts) =>
          none(facts, 'orphan.broken-link', 'outdated.old-shell-link', 'outdated.former-tool'),
      },
      {
        id: 'provided',
        title: 'Drop what is provided already',
        says: 'Statements and pages that your institution’s own template brings.',
        at: 'decide?check=duplicate.already-provided',
        isDone: (facts) => none(facts, 'duplicate.already-provided', 'duplicate.same-content'),
      },
      {
        id: 'grades',
        title: 'Put the grade setup in order',
        says: 'Empty categories, columns without an activity, weights that do not sum to 100.',
        at: 'decide?check=orphan.empty-grade-category',
        isDone: (facts) =>
          none(facts, 'orphan.empty-grade-category', 'orphan.grade-column', 'readiness.weights'),
      },
      redate,
      carryOut,
      openingDay,
    ],
  },
];

export const recipeById = (id: string): Recipe | null => recipes.find((recipe) => recipe.id === id) ?? null;
