'use client';
import { useEffect, useState } from 'react';
import type { LookedAt, ThingLook as Look } from '@/services/shells/thing-look';
import { send } from '../jobs/use-job';
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

/** A thing as it looks: a page in a frame, a picture, a text, the first page of a PDF, or why it can’t be shown. */
export function ThingLook({ shellId, thing, words = noWords }: ThingLookProps) {
  const { look, trouble } = useLook(shellId, thing);
  if (trouble !== null) return <p role="alert">{trouble}</p>;
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

interface Loaded {
  readonly key: string;
  readonly look: Look | null;
  readonly trouble: string | null;
}

function useLook(shellId: string, { type, ref }: LookedAt): Omit<Loaded, 'key'> {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const key = `${type} ${ref}`;
  useEffect(() => {
    let isCurrent = true;
    const query = new URLSearchParams({ type, ref });
    void send<Look>(`/api/shells/${shellId}/look?${query.toString()}`, undefined, 'GET').then((result) => {
      if (!isCurrent) return;
      setLoaded(
        result.ok
          ? { key: `${type} ${ref}`, look: result.value, trouble: null }
          : { key: `${type} ${ref}`, look: null, trouble: result.trouble },
      );
    });
    return () => {
      isCurrent = false;
    };
  }, [shellId, type, ref]);
  return loaded?.key === key ? loaded : { look: null, trouble: null };
}
