import Link from 'next/link';
import { TopBar } from '@/ui/frame/top-bar';

export default function NotFound() {
  return (
    <>
      <TopBar title="This page is not here" />
      <main id="main" style={{ padding: 22 }}>
        <h1>This page is not here</h1>
        <p>
          The shell or page was taken away, or the address is mistyped.{' '}
          <Link href="/">Go to the list of shells</Link>.
        </p>
      </main>
    </>
  );
}
