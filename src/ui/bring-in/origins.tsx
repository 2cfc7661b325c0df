import Link from 'next/link';
import type { Inventory } from '@/core/inventory/inventory';
import { spellBytes } from '@/core/text/spell-bytes';

interface OriginsProps {
  readonly inventory: Inventory;
  readonly contents: string;
  /** It was read from a campus host. */
  readonly onHost: boolean;
}

/** The imports that things came with, and the largest files. */
export function Origins({ inventory, contents, onHost }: OriginsProps) {
  return (
    <section aria-labelledby="origins">
      <h2 id="origins">Where it came from</h2>
      {inventory.batches.length ? (
        <table>
          <thead>
            <tr>
              <th>Import</th>
              <th>Items</th>
            </tr>
          </thead>
          <tbody>
            {inventory.batches.map((b) => (
              <tr key={b.batch}>
                <td>{b.batch}</td>
                <td className="number">
                  <Link href={`${contents}?batch=${encodeURIComponent(b.batch)}`}>{b.count}</Link>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="soft">
          {onHost
            ? 'The host does not say.'
            : 'The package does not say. A status sheet with a column import_batch would.'}
        </p>
      )}
      <h2 style={{ marginTop: 20 }}>Largest files</h2>
      <table>
        <tbody>
          {inventory.largestFiles.map((f) => (
            <tr key={f.path}>
              <td style={{ overflowWrap: 'anywhere' }}>
                <Link href={`${contents}?kind=files&find=${encodeURIComponent(f.path)}`}>{f.path}</Link>
              </td>
              <td className="number" style={{ whiteSpace: 'nowrap' }}>
                {spellBytes(f.bytes)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
