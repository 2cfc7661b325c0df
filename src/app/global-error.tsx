'use client';
import { PageTitle } from '@/ui/frame/page-title';

export default function GlobalError({ reset }: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <PageTitle title="Something went wrong" />
        <main>
          <h1>Something went wrong in Currycomb itself</h1>
          <p>Nothing was changed.</p>
          <button type="button" onClick={reset}>
            Try again
          </button>
        </main>
      </body>
    </html>
  );
}
