import { redirect } from 'next/navigation';
import type { ShellPageProps } from '../shell-page';

export default async function ShellPage({ params }: ShellPageProps) {
  redirect(`/shells/${(await params).id}/comb`);
}
