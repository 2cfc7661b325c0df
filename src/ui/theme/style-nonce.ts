declare global {
  interface Window {
    /** Read by the style engine of the message bar (goober) when it makes its style element. */
    __nonce__?: string;
  }
}

/* Must be evaluated before the message bar's package: our content policy takes no style element without the nonce. */
if (typeof window !== 'undefined') {
  const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce;
  if (nonce) window.__nonce__ = nonce;
}

export {};
