import { switchShown } from './switch-shown';

export const hide = switchShown({
  name: 'hide',
  label: 'Hide',
  nothing: 'it is hidden already',
  shown: false,
});
