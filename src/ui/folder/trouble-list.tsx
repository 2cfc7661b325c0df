import type { Trouble } from '@/services/keep/log/troubles';
import table from '../parts/plain-table.module.css';

const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'medium' });

/** What went wrong since the server was started, newest first; nothing in it tells what is in a shell. */
export function TroubleList({ troubles }: { troubles: readonly Trouble[] }) {
  return (
    <section aria-labelledby="troubles">
      <h2 id="troubles">Troubles since the start</h2>
      {troubles.length === 0 ? (
        <p>Nothing has gone wrong.</p>
      ) : (
        <div tabIndex={0} role="region" aria-labelledby="troubles" style={{ overflowX: 'auto' }}>
          <table className={table.table}>
            <thead>
              <tr>
                <th scope="col">When</th>
                <th scope="col">During</th>
                <th scope="col">What</th>
              </tr>
            </thead>
            <tbody>
              {troubles.map((trouble) => (
                <TroubleRow key={`${trouble.at} ${trouble.id} ${trouble.during}`} trouble={trouble} />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

function TroubleRow({ trouble: { at, during, id, sentence, fault } }: { trouble: Trouble }) {
  const name = [fault?.name, fault?.code].filter(Boolean).join(' ');
  return (
    <tr>
      <td className="number">{when.format(new Date(at))}</td>
      <td>
        {during}
        {id !== '' && (
          <>
            <br />
            <small className="soft">{id}</small>
          </>
        )}
      </td>
      <td>
        {sentence ?? 'Something nobody had foreseen.'}
        {fault && (
          <details>
            <summary>{name}</summary>
            <ul>
              {fault.frames.map((frame) => (
                <li key={frame}>
                  <code>{frame}</code>
                </li>
              ))}
            </ul>
          </details>
        )}
      </td>
    </tr>
  );
}
