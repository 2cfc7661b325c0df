import { switchShown } from './switch-shown';

export const show = switchShown({
  name: 'show',
  label: 'Show',
  nothing: 'it is shown already',
  shown: true,
});
