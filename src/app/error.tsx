'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { sentenceOfDigest } from '@/services/keep/storage/fault-digest';
import { PageTitle } from '@/ui/frame/page-title';

interface ErrorPageProps {
  readonly error: Error & { readonly digest?: string };
  readonly reset: () => void;
}

/** What stands in the place of a page that could not be drawn: the reason, where it is one that a person can mend. */
export default function ErrorPage({ error, reset }: ErrorPageProps) {
  const sentence = sentenceOfDigest(error.digest);
  return (
    <main id="main" style={{ padding: 22, maxWidth: 720 }}>
      <PageTitle title={sentence ? 'This can’t be shown now' : 'Something went wrong'} />
      <h1>{sentence ? 'This can’t be shown now' : 'Something went wrong in Currycomb itself'}</h1>
      <p role="alert">
        {sentence ?? 'Try once more. If it happens again, what happened stands under “Data folder”.'}
      </p>
      <p style={{ display: 'flex', gap: 16, alignItems: 'center' }}>
        <Button variant="contained" onClick={reset}>
          Try again
        </Button>
        <Link href="/">Go to the list of shells</Link>
        <Link href="/folder">Look at the data folder</Link>
      </p>
    </main>
  );
}
