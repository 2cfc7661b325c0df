import { DrawnContentsList } from '@/ui/bring-in/contents-list';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell, _, query) => {
  const { find, ...asked } = query;
  return (
    <DrawnContentsList
      id={shell.row.id}
      source={stageSource(shell, 'contents', asked)}
      find={typeof find === 'string' ? find : ''}
    />
  );
});
