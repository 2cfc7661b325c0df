import Link from 'next/link';
import { hostsOf } from '@/services/keep/hosts/host-records';
import { TopBar } from '@/ui/frame/top-bar';
import { HostStage } from '@/ui/hosts/host-stage';
import { withContext } from '../../with-context';

// Hosts are signed in to while the application runs.
export const dynamic = 'force-dynamic';

export default function FromHostPage() {
  return (
    <>
      <TopBar title="Bring in a shell" />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 1140, margin: '0 auto' }}>
        <h1>Bring in a shell from a campus host</h1>
        <p style={{ margin: '6px 0 16px' }}>
          It is read until two readings agree, and changed there only by a plan that you rehearsed. You have
          files instead? <Link href="/bring-in">Bring in a package.</Link>
        </p>
        <HostStage hosts={withContext(hostsOf)} proposed={process.env['CURRYCOMB_HOST'] ?? ''} />
      </main>
    </>
  );
}
