import { contentsOf } from '@/services/shells/contents-list';
import { PackedContentsList } from '@/ui/bring-in/contents-list';
import { pack } from '@/ui/parts/pack';
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
  return <PackedContentsList id={shell.row.id} packed={pack(contents)} find={text('find') ?? ''} />;
});
