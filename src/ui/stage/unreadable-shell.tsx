import Link from 'next/link';

/** What stands in the place of a page whose contents can't be opened. */
export function UnreadableShell({ id, sentence }: { id: string; sentence: string }) {
  return (
    <div style={{ padding: 22, maxWidth: 640 }}>
      <h1>This can’t be shown</h1>
      <p role="alert">{sentence}</p>
      <p>
        Nothing was changed. What does not need it still works:{' '}
        <Link href={`/shells/${id}/comb`}>the findings</Link>,{' '}
        <Link href={`/shells/${id}/carry-out`}>the ledger</Link>, <Link href="/">the other shells</Link>. What
        is damaged, and what can be mended, is found by{' '}
        <Link href="/folder">looking the data folder over</Link>.
      </p>
    </div>
  );
}
