import Link from 'next/link';
import type { Inventory } from '@/core/inventory/inventory';
import { kindNames } from './kind-names';

/** How many items of each kind, and how many of them are hidden. */
export function KindTable({ inventory, contents }: { inventory: Inventory; contents: string }) {
  return (
    <section aria-labelledby="kinds">
      <h2 id="kinds">By kind</h2>
      <table>
        <thead>
          <tr>
            <th>Kind</th>
            <th>Count</th>
            <th>Hidden</th>
          </tr>
        </thead>
        <tbody>
          {inventory.byKind.map((k) => (
            <tr key={k.kind}>
              <td>{kindNames[k.kind][1]}</td>
              <td className="number">
                <Link href={`${contents}?kind=${k.kind}`}>{k.count}</Link>
              </td>
              <td className="number">
                {k.hidden ? (
                  <Link href={`${contents}?kind=${k.kind}&hidden=1`}>{k.hidden}</Link>
                ) : (
                  <span className="soft">0</span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
