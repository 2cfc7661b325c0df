/** What a thread drew, as JSON; it is handed on as it is. */
export const stageJson = (drawn: Uint8Array<ArrayBuffer>): Response =>
  new Response(drawn, {
    headers: {
      'content-type': 'application/json',
      // What goes from this computer to itself is not packed.
      'cache-control': 'no-store, no-transform',
    },
  });
