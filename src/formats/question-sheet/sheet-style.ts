/** The sheet’s own look: it is read on any computer, and on paper. */
export const sheetStyle = `
body { font: 16px/1.5 system-ui, sans-serif; max-width: 46rem; margin: 2rem auto; padding: 0 1rem; color: #221b14; background: #fffdf8; }
h1 { font-size: 1.5rem; }
fieldset { border: 1px solid #b9ab97; border-radius: 8px; margin: 0 0 1.2rem; padding: 0.8rem 1rem 1rem; break-inside: avoid; }
legend { font-weight: 700; padding: 0 0.4rem; }
ul { margin: 0.2rem 0 0.8rem; padding-left: 1.2rem; font-size: 0.94rem; }
.answers { display: grid; gap: 0.3rem; }
input[type=radio] { width: 1.1rem; height: 1.1rem; vertical-align: -0.15rem; }
.note { display: grid; gap: 0.2rem; margin-top: 0.6rem; font-size: 0.94rem; }
textarea { font: inherit; border: 1px solid #b9ab97; border-radius: 6px; padding: 0.3rem; }
button { font: inherit; font-weight: 700; border: 0; border-radius: 7px; background: #7c2d1a; color: #fffdf8; padding: 0.6rem 1.1rem; }
@media print { .foot { display: none; } body { margin: 0; } textarea { min-height: 3rem; } }
`;
