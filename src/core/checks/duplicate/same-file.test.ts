import { checkCases } from '../__tests__/check-cases';
import { sameFile } from './same-file';

const bytes = Buffer.from('station,stage\n1,0.42\n');

checkCases(sameFile, {
  fires: [
    {
      name: 'two paths, the same bytes',
      build: (c) => {
        c.file('data/one.csv', bytes);
        c.file('uploads/one (1).csv', bytes);
      },
      subjects: [['data/one.csv', 'uploads/one (1).csv']],
      expect: ([f]) => {
        expect(f).toMatchObject({
          keep: 'data/one.csv',
          urgency: 'tidy',
          remedy: { targets: ['uploads/one (1).csv'], kind: 'safe' },
        });
        expect(f!.evidence[0]).toEqual({ label: 'Bytes wasted', value: '21 bytes' });
      },
    },
    {
      name: 'the copy mark decides, not the place',
      build: (c) => {
        c.file('a/one (2).csv', bytes);
        c.file('b/one.csv', bytes);
      },
      subjects: [['a/one (2).csv', 'b/one.csv']],
      expect: ([f]) =>
        expect(f).toMatchObject({
          keep: 'b/one.csv',
          evidence: expect.arrayContaining([
            expect.objectContaining({ value: 'its title carries no copy mark' }),
          ]),
        }),
    },
    {
      name: 'the one that the outline shows stays; three of them',
      build: (c) => {
        for (const path of ['a.csv', 'b.csv', 'c.csv']) c.file(path, bytes);
        c.fileItem('Data', 'c.csv', { ref: 'i' });
      },
      subjects: [['a.csv', 'b.csv', 'c.csv']],
      expect: ([f]) => expect(f!.keep).toBe('c.csv'),
    },
    {
      name: 'both are shown: the outline shows the kept one twice afterwards',
      build: (c) => {
        c.file('a.csv', bytes);
        c.file('b.csv', bytes);
        c.fileItem('Data A', 'a.csv', { ref: 'i' });
        c.fileItem('Data B', 'b.csv', { ref: 'k' });
      },
      subjects: [['a.csv', 'b.csv']],
    },
    {
      name: 'pages, style sheets and topics link to the one that goes',
      build: (c) => {
        c.file('x/pic.png', bytes);
        c.file('y/pic.png', bytes);
        c.file('css/s.css', 'h1{background:url(../y/pic.png)} h2{background:url("../x/pic.png")}');
        c.page(
          'P',
          '<html><body style="background:url(../y/pic.png)"><img srcset="../y/pic.png 1x, ../x/pic.png 2x"><img src="../x/pic.png"></body></html>',
          { ref: 'p', path: 'p/p.html' },
        );
        c.discussion('D', '<img src="$IMS-CC-FILEBASE$/y/pic.png?v=1">', { ref: 'd' });
        c.depends('p', 'y/pic.png');
      },
      subjects: [['x/pic.png', 'y/pic.png']],
    },
  ],
  silent: [
    { name: 'no bytes at all', build: (c) => void [c.file('a.txt', ''), c.file('b.txt', '')] },
    {
      name: 'the same name, other bytes',
      build: (c) => void [c.file('a/x.txt', 'one'), c.file('b/x.txt', 'two')],
    },
    {
      name: 'the same size, other bytes',
      build: (c) => void [c.file('a.txt', 'abc'), c.file('b.txt', 'abd')],
    },
    { name: 'one file', build: (c) => void c.file('a.txt', 'abc') },
    {
      name: 'two pages are a matter of content',
      build: (c) => void [c.page('A', '<p>x</p>'), c.page('B', '<p>x</p>')],
    },
  ],
});
