import type { Troubles } from './troubles';

const rows: readonly (readonly [name: keyof Troubles, label: string, help: string, step: string])[] = [
  ['slow', 'Slow', 'milliseconds that an answer may wait', '1'],
  ['stall', 'Stalls', 'changes after which a job stops without a word; 0 for never', '1'],
  ['fail', 'Fails', 'share of requests that fail, 0 to 0.9', '0.01'],
  ['drop', 'Drops the line', 'share of requests whose answer is lost when the work is done', '0.01'],
  ['hurry', 'Refuses when too fast', 'requests a second that it takes; 0 for no limit', '1'],
  ['expire', 'Signs out', 'requests that a sign-in is good for; 0 for half an hour', '1'],
  ['restart', 'Restarts', 'requests after which it starts anew; 0 for never', '1'],
  ['copy', 'A copy still runs', 'pages that come yet, one with every list that is read', '1'],
  ['others', 'Somebody else works', 'requests after which a title is changed; 0 for nobody', '1'],
  ['seed', 'Seed', 'the same seed lets the same things go wrong', '1'],
];

/** The one page of the stand-in: what goes wrong on purpose. */
export function troublesPage(troubles: Troubles, complaint = ''): string {
  const fields = rows
    .map(
      ([name, label, help, step]) =>
        `<p><label>${label}<br><input name="${name}" type="number" min="0" step="${step}" value="${troubles[name]}"></label><br><small>${help}</small></p>`,
    )
    .join('');
  return `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Campus host, a stand-in</title>
<style>body{font:17px/1.5 system-ui,sans-serif;max-width:58rem;margin:2rem auto;padding:0 1rem;color:#1f2a24;background:#f6f4ee}
form{display:grid;grid-template-columns:repeat(auto-fill,minmax(16rem,1fr));gap:.4rem 1.6rem}input{font:inherit;width:9rem;padding:.3rem}
small{color:#51605a}button{font:inherit;padding:.45rem 1rem;margin-right:.6rem}.wide{grid-column:1/-1}</style>
<main><h1>Campus host, a stand-in</h1>
<p>It keeps a few invented shells and answers as a campus system would. What goes wrong here goes wrong on purpose;
who asks is told nothing of it. Its API is written down in <a href="/openapi.json">openapi.json</a>.</p>
<p>Sign in with the name <strong>r.alder</strong> and the secret <strong>marsh-marigold</strong>.</p>
${complaint ? `<p role="alert"><strong>${complaint}</strong></p>` : ''}
<form method="post" action="/troubles">
<p class="wide"><button>Let it go wrong like this</button><button name="preset" value="all">Let everything go wrong</button><button name="preset" value="none">Let nothing go wrong</button></p>
${fields}</form></main></html>`;
}
