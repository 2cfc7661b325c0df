import { generate } from 'selfsigned';

export interface Certificate {
  /** In PEM. */
  readonly key: string;
  readonly cert: string;
}

/** A certificate for these names, signed with its own key: whoever shall accept it must be told to trust it. */
export async function certificateFor(names: readonly string[], until?: Date): Promise<Certificate> {
  const day = 86_400_000;
  const valid = until && { notBeforeDate: new Date(until.getTime() - day), notAfterDate: until };
  const { private: key, cert } = await generate([{ name: 'commonName', value: names[0] ?? 'nobody' }], {
    keySize: 2048,
    algorithm: 'sha256',
    ...valid,
    extensions: [
      { name: 'basicConstraints', cA: true },
      { name: 'subjectAltName', altNames: names.map((value) => ({ type: 2 as const, value })) },
    ],
  });
  return { key, cert };
}
