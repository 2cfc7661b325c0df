import { switchShown } from './switch-shown';

export const show = switchShown({
  name: 'show',
  label: 'Show',
  toDo: ({ title }) => ({
    what: `Show “${title}” to students.`,
    lookFor: 'It is not marked as hidden any more.',
  }),
  nothing: 'it is shown already',
  shown: true,
});
