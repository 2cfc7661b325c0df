import { plural } from '@/core/text/plural';
import type { LookedOver } from '@/services/do/storage/data-folder';

const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** What the last look at the folder found; says so where nobody has looked. */
export function FolderFindings({ look }: { look: LookedOver | null }) {
  if (!look)
    return <p>Nobody has looked it over yet. That reads every file and holds it against its hash.</p>;
  const { diagnoses, mended, shells, versions, blobs, at } = look;
  return (
    <>
      <p role="status">
        {diagnoses.length === 0 ? 'Nothing is wrong' : `${plural(diagnoses.length, 'thing')} to see to`}:{' '}
        {plural(shells, 'shell')} in {plural(versions, 'state')}, {plural(blobs, 'file')}, looked over on{' '}
        {when.format(new Date(at))}.{mended.length > 0 && ` ${plural(mended.length, 'thing')} mended.`}
      </p>
      <ul>
        {diagnoses.map(({ sentence, mending }) => (
          <li key={sentence}>
            {sentence} {mending !== null && <span className="soft">Mending: {mending}</span>}
          </li>
        ))}
      </ul>
    </>
  );
}
