'use client';
import Link from 'next/link';
import { PageTitle } from '@/ui/frame/page-title';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main id="main" style={{ padding: 22 }}>
      <PageTitle title="Something went wrong" />
      <h1>Something went wrong in Currycomb itself</h1>
      <p>Nothing was changed. Try once more; if it happens again, the list of shells still works.</p>
      <p style={{ display: 'flex', gap: 16 }}>
        <button type="button" onClick={reset}>
          Try again
        </button>
        <Link href="/">Go to the list of shells</Link>
      </p>
    </main>
  );
}
