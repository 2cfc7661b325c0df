import { switchShown } from './switch-shown';

export const hide = switchShown({
  name: 'hide',
  label: 'Hide',
  toDo: ({ title }) => ({ what: `Hide “${title}” from students.`, lookFor: 'It is marked as hidden.' }),
  nothing: 'it is hidden already',
  shown: false,
});
