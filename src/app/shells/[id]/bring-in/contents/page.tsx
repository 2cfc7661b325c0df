import { contentsOf } from '@/services/shells/contents-list';
import { ContentsList } from '@/ui/bring-in/contents-list';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context, query) => {
  const text = (name: string) => {
    const value = query[name];
    return typeof value === 'string' ? value : null;
  };
  const contents = contentsOf(context, shell, {
    kind: text('kind'),
    hiddenOnly: text('hidden') === '1',
    batch: text('batch'),
    span: text('span'),
    moment: text('moment'),
  });
  return <ContentsList id={shell.row.id} contents={contents} find={text('find') ?? ''} />;
});
