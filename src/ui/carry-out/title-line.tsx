'use client';
import Button from '@mui/material/Button';
import { Fragment, useState, type ReactNode } from 'react';

interface TitleLineProps {
  readonly titles: readonly string[];
  /** So many stand there before anybody asks for the others. */
  readonly shown: number;
  /** How a title is drawn, by its place. */
  readonly children: (title: string, at: number) => ReactNode;
}

/** Titles in one line: the first of them, and the others when their number is pressed. */
export function TitleLine({ titles, shown, children }: TitleLineProps) {
  const [isOpen, setOpen] = useState(false);
  const others = titles.length - shown;
  return (
    <>
      {titles.slice(0, isOpen ? titles.length : shown).map((title, at) => (
        <Fragment key={at}>
          {at > 0 && ', '}
          {children(title, at)}
        </Fragment>
      ))}{' '}
      {others > 0 && (
        <Button size="small" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen ? `Only the first ${shown}` : `and ${others} more`}
        </Button>
      )}
    </>
  );
}
