import { entryOf } from '@/core/entries';
import type { WayEnd } from '@/core/probe/judge-answer';
import { NoSuchHost, PrivateAddress } from './guarded-connect';

/** What browsers refuse in a certificate, by the codes of Node’s TLS (X509_verify_cert in OpenSSL), in words. */
const certificateWords: Readonly<Record<string, string>> = {
  CERT_HAS_EXPIRED: 'it has run out',
  CERT_NOT_YET_VALID: 'it is not valid yet',
  CERT_REVOKED: 'it was revoked',
  DEPTH_ZERO_SELF_SIGNED_CERT: 'the host signed it itself',
  SELF_SIGNED_CERT_IN_CHAIN: 'nobody known signed it',
  UNABLE_TO_VERIFY_LEAF_SIGNATURE: 'nobody known signed it',
  UNABLE_TO_GET_ISSUER_CERT: 'nobody known signed it',
  UNABLE_TO_GET_ISSUER_CERT_LOCALLY: 'nobody known signed it',
  ERR_TLS_CERT_ALTNAME_INVALID: 'it is for another host',
};
const slowCodes: ReadonlySet<string> = new Set([
  'UND_ERR_CONNECT_TIMEOUT',
  'UND_ERR_HEADERS_TIMEOUT',
  'UND_ERR_BODY_TIMEOUT',
  'UND_ERR_ABORTED',
  'ABORT_ERR',
  'ETIMEDOUT',
]);
const words: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'nothing answers there',
  ECONNRESET: 'the other end closed it',
  UND_ERR_SOCKET: 'the other end closed it',
  EAI_AGAIN: 'the name could not be looked up just now',
  ENETUNREACH: 'there is no way there',
  EHOSTUNREACH: 'there is no way there',
};

/** How a way ended where no answer came. */
export function wayEndOf(error: unknown): WayEnd {
  if (error instanceof PrivateAddress) return { is: 'private' };
  if (error instanceof NoSuchHost) return { is: 'no-host' };
  const code = codeOf(error);
  if (code === 'ENOTFOUND') return { is: 'no-host' };
  if (slowCodes.has(code)) return { is: 'slow' };
  const why = entryOf(certificateWords, code);
  if (why !== undefined) return { is: 'bad-certificate', why };
  return { is: 'broken', why: entryOf(words, code) ?? 'it did not speak as a web server does' };
}

function codeOf(error: unknown): string {
  const { code, name, cause } = error as { code?: unknown; name?: unknown; cause?: unknown };
  if (typeof code === 'string') return code;
  if (name === 'AbortError') return 'ABORT_ERR';
  return cause === undefined ? '' : codeOf(cause);
}
