'use client';
import Link from 'next/link';
import type { LookedAt, ThingLook as Look } from '@/services/show/shells/thing-look';
import { useAnswer } from '../jobs/use-answer';
import { PageFrame } from './page-frame';
import { PdfPage } from './pdf-page';
import styles from './look.module.css';

interface ThingLookProps {
  readonly shellId: string;
  readonly thing: LookedAt & { readonly title: string };
  /** Sentences that are marked where a page says them. */
  readonly words?: readonly string[];
}

const noWords: readonly string[] = [];

/** A thing as it looks, and a way to what was done to it. */
export function ThingLook(props: ThingLookProps) {
  const { shellId, thing } = props;
  return (
    <>
      <Appearance {...props} />
      {thing.of === undefined && (
        <p className={styles.history}>
          <Link href={`/shells/${shellId}/carry-out/ledger?ref=${encodeURIComponent(thing.ref)}`}>
            What was done to “{thing.title}”
          </Link>
        </p>
      )}
    </>
  );
}

/** A thing as it looks: a page in a frame, a picture, a text, the first page of a PDF, or why it can’t be shown. */
function Appearance({ shellId, thing, words = noWords }: ThingLookProps) {
  const query = new URLSearchParams({ type: thing.type, ref: thing.ref });
  if (thing.of !== undefined) query.set('of', thing.of);
  const answer = useAnswer<Look>(`/api/shells/${shellId}/look?${query.toString()}`);
  const look = answer?.value ?? null;
  if (answer?.trouble) return <p role="alert">{answer.trouble}</p>;
  if (look === null) return <p className="soft">Opening “{thing.title}” …</p>;
  switch (look.is) {
    case 'page':
      return <PageFrame title={thing.title} html={look.html} words={words} />;
    case 'picture':
      return (
        <figure className={styles.figure}>
          {/* eslint-disable-next-line @next/next/no-img-element -- the picture is in the page already */}
          <img src={look.address} alt={`The picture ${thing.title}`} />
        </figure>
      );
    case 'text':
      return (
        <pre className={styles.text} tabIndex={0} role="region" aria-label={`Text of ${thing.title}`}>
          {look.text}
        </pre>
      );
    case 'pdf':
      return <PdfPage title={thing.title} bytes={look.bytes} />;
    case 'nothing':
      return <p className="soft">{look.why}</p>;
  }
}
