'use client';
import { useEffect, useRef, useState } from 'react';
import styles from './look.module.css';

/** The first page is drawn this wide, in pixels. */
const width = 560;

/** The first page of a PDF, drawn here; a sentence where it can’t be read. */
export function PdfPage({ title, bytes }: { title: string; bytes: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [says, setSays] = useState('Drawing the first page …');
  useEffect(() => {
    let isCurrent = true;
    drawFirstPage(bytes, canvas.current)
      .then((pages) => isCurrent && setSays(pages === 1 ? 'One page.' : `The first of ${pages} pages.`))
      .catch(() => isCurrent && setSays('This PDF can’t be read; it may be damaged or locked.'));
    return () => {
      isCurrent = false;
    };
  }, [bytes]);
  return (
    <figure className={styles.figure}>
      <canvas ref={canvas} role="img" aria-label={`First page of ${title}`} width={1} height={1} />
      <figcaption className="soft" role="status">
        {says}
      </figcaption>
    </figure>
  );
}

/** Draws the first page, and gives how many there are. */
async function drawFirstPage(bytes: string, canvas: HTMLCanvasElement | null): Promise<number> {
  const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist');
  GlobalWorkerOptions.workerSrc = '/pdf.worker.min.mjs';
  const data = Uint8Array.from(atob(bytes), (letter) => letter.charCodeAt(0));
  const task = getDocument({ data, useSystemFonts: true, isEvalSupported: false, enableXfa: false });
  try {
    const document = await task.promise;
    const page = await document.getPage(1);
    const scale = width / page.getViewport({ scale: 1 }).width;
    const viewport = page.getViewport({ scale });
    if (canvas) {
      canvas.width = viewport.width;
      canvas.height = viewport.height;
      await page.render({ canvas, viewport }).promise;
    }
    return document.numPages;
  } finally {
    await task.destroy();
  }
}
