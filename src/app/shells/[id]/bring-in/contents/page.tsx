import { contentsOf } from '@/services/shells/contents-list';
import { ContentsList } from '@/ui/bring-in/contents-list';
import { shellOfPage, type ShellPageProps } from '../../../shell-page';

export default async function ContentsPage({ params, searchParams }: ShellPageProps) {
  const { context, shell } = await shellOfPage(params);
  const query = await searchParams;
  const text = (value: string | string[] | undefined) => (typeof value === 'string' ? value : null);
  const contents = contentsOf(
    context,
    shell,
    text(query['kind']) ?? 'items',
    text(query['batch']),
    query['hidden'] === '1',
  );
  return <ContentsList id={shell.row.id} contents={contents} />;
}
