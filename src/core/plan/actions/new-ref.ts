import { z } from 'zod';

/** A ref that a plan makes up for something new: it must do as an identifier of a manifest (XML Schema 1.1-2, 3.4.8, NCName). */
export const writtenRefSchema = z
  .string()
  .regex(
    /^[A-Za-z_][A-Za-z0-9_.-]{0,199}$/,
    'a new ref begins with a letter, then letters, digits, “_”, “.”, “-”',
  );
