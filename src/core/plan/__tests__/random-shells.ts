import fc from 'fast-check';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { Step } from '../step';

/** Small shells of every shape: nested modules, pages that link to each other and to files, things outside, student work. */
export const shells: fc.Arbitrary<Shell> = fc
  .record({
    modules: fc.array(fc.nat(5), { maxLength: 4 }),
    pages: fc.array(
      fc.record({
        parent: fc.nat(5),
        links: fc.array(fc.nat(12), { maxLength: 4 }),
        outside: fc.boolean(),
        work: fc.nat(3),
        shown: fc.option(fc.boolean()),
        text: fc.nat(3),
      }),
      { maxLength: 8 },
    ),
    files: fc.array(
      fc.record({
        css: fc.boolean(),
        links: fc.array(fc.nat(5), { maxLength: 2 }),
        bytes: fc.nat(2),
        placed: fc.boolean(),
      }),
      { maxLength: 5 },
    ),
    talks: fc.array(fc.record({ links: fc.array(fc.nat(12), { maxLength: 2 }) }), { maxLength: 2 }),
    depends: fc.array(fc.tuple(fc.nat(8), fc.nat(5)), { maxLength: 2 }),
  })
  .map(({ modules, pages, files, talks, depends }) => {
    const c = new ShellComposer();
    const names: string[] = [];
    modules.forEach((parent, i) =>
      names.push(c.module(`Module ${i}`, { ref: `m${i}`, parent: parent < i ? `m${parent}` : null })),
    );
    const filePath = (i: number) => `files/f${i}.${files[i]?.css ? 'css' : 'bin'}`;
    const pagePath = (i: number) => `pages/p${i}.html`;
    const address = (n: number) =>
      n < pages.length
        ? `../${pagePath(n)}#part`
        : n - pages.length < files.length
          ? `../${filePath(n - pages.length)}?v=1`
          : '../nowhere.html';
    files.forEach((f, i) => {
      c.file(
        filePath(i),
        f.css
          ? `h1{content:"${f.bytes}"} ${f.links
              .filter((l) => l < files.length && l !== i)
              .map((l) => `h2{background:url(${`f${l}.${files[l]!.css ? 'css' : 'bin'}`})}`)
              .join(' ')}`
          : `bytes ${f.bytes}`,
      );
      if (f.placed) c.fileItem(`File ${i}`, filePath(i), { ref: `fi${i}` });
    });
    pages.forEach((p, i) => {
      const links = p.links.map((l) => `<a href="${address(l)}">link</a>`).join(' ');
      c.page(`Page ${i}`, `<p>Text number ${p.text} about the stream.</p>${links}`, {
        ref: `p${i}`,
        path: pagePath(i),
        outside: p.outside,
        parent: p.parent < modules.length ? `m${p.parent}` : null,
        studentWork: p.work === 3 ? 2 : p.work === 2 ? null : 0,
        shown: p.shown,
      });
    });
    talks.forEach((t, i) =>
      c.discussion(
        `Talk ${i}`,
        t.links.map((l) => `<a href="$IMS-CC-FILEBASE$/${address(l).slice(3)}">x</a>`).join(''),
        { ref: `d${i}` },
      ),
    );
    const placed = c.shell().items;
    for (const [from, on] of depends)
      if (from < placed.length && on < files.length && placed[from]!.content && placed[from]!.kind === 'page')
        c.depends(placed[from]!.ref, filePath(on));
    return c.shell();
  });

/** Any steps at all on a shell, sensible or not. */
export function stepsFor(shell: Shell): fc.Arbitrary<Step[]> {
  const refs = [
    ...shell.items.map((i) => i.ref as string),
    ...shell.files.map((f) => f.path as string),
    'nothing-of-the-kind',
  ];
  const ref = fc.constantFrom(...refs);
  const some = fc.uniqueArray(ref, { minLength: 1, maxLength: 5 });
  const step = (make: (targets: string[]) => Omit<Step, 'from' | 'targets'>) =>
    some.map((targets) => ({ ...make(targets), targets, from: 'hand' }));
  return fc.array(
    fc.oneof(
      step(() => ({ action: 'delete', params: {} })),
      step(() => ({ action: 'delete', params: { leaveBroken: true } })),
      step(() => ({ action: 'hide', params: {} })),
      step(() => ({ action: 'show', params: {} })),
      fc.tuple(some, ref).map(([targets, to]): Step => ({
        action: 'relink',
        targets,
        params: { to: Object.fromEntries(targets.map((t) => [t, to])) },
        from: 'hand',
      })),
      fc.tuple(some, ref).map(([targets, to]): Step => ({
        action: 'delete',
        targets,
        params: { relink: Object.fromEntries(targets.map((t) => [t, to])) },
        from: 'hand',
      })),
      fc.tuple(some, fc.option(ref), fc.option(ref)).map(([targets, into, before]): Step => ({
        action: 'move',
        targets,
        params: { into, before },
        from: 'hand',
      })),
      some.map((targets): Step => ({
        action: 're-date',
        targets,
        params: { dates: Object.fromEntries(targets.map((t) => [t, { due: '2027-02-01T23:59:59' }])) },
        from: 'hand',
      })),
    ),
    { maxLength: 6 },
  );
}
