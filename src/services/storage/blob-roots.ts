/** Every blob that a row names: states of versions and of waiting packages, edits of runs, previews. */
export const blobRoots =
  "SELECT state_blob FROM versions WHERE state_blob <> '' UNION SELECT state_blob FROM incomings UNION SELECT preview_blob FROM incomings " +
  'UNION SELECT edits_blob FROM runs WHERE edits_blob IS NOT NULL';
