import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDate } from '@/core/dates/local-date';
import { readShell } from '@/services/do/packages/read-shell';
import { makeZip, resource } from '@/services/__tests__/make-package';
import { quizXml } from './write-bodies';
import { readBody } from './read-body';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-kinds-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
async function read(files: Readonly<Record<string, string>>) {
  const result = await readShell({
    package: { path: await makeZip(join(folder, 'p.imscc'), files), name: 'p.imscc' },
    today: '2027-01-04' as LocalDate,
  });
  if (!result.ok) throw new Error(result.trouble.message);
  result.value.archive.close();
  return result.value;
}

// Namespaces and resource types of the Common Cartridge profiles 1.0 to 1.4 (1EdTech), from memory of the profiles.
const versions = [
  {
    version: '1.0.0',
    ns: 'http://www.imsglobal.org/xsd/imscc/imscp_v1p1',
    topic: 'imsdt_xmlv1p0',
    link: 'imswl_xmlv1p0',
    quiz: 'imsqti_xmlv1p2/imscc_xmlv1p0/assessment',
    bank: 'imsqti_xmlv1p2/imscc_xmlv1p0/question-bank',
    other: 'associatedcontent/imscc_xmlv1p0/learning-application-resource',
    tool: null,
    task: null,
  },
  {
    version: '1.1.0',
    ns: 'http://www.imsglobal.org/xsd/imsccv1p1/imscp_v1p1',
    topic: 'imsdt_xmlv1p1',
    link: 'imswl_xmlv1p1',
    quiz: 'imsqti_xmlv1p2/imscc_xmlv1p1/assessment',
    bank: 'imsqti_xmlv1p2/imscc_xmlv1p1/question-bank',
    other: 'associatedcontent/imscc_xmlv1p1/learning-application-resource',
    tool: 'imsbasiclti_xmlv1p0',
    task: null,
  },
  {
    version: '1.2.0',
    ns: 'http://www.imsglobal.org/xsd/imsccv1p2/imscp_v1p1',
    topic: 'imsdt_xmlv1p2',
    link: 'imswl_xmlv1p2',
    quiz: 'imsqti_xmlv1p2/imscc_xmlv1p2/assessment',
    bank: 'imsqti_xmlv1p2/imscc_xmlv1p2/question-bank',
    other: 'associatedcontent/imscc_xmlv1p2/learning-application-resource',
    tool: 'imsbasiclti_xmlv1p0',
    task: null,
  },
  {
    version: '1.3.0',
    ns: 'http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1',
    topic: 'imsdt_xmlv1p3',
    link: 'imswl_xmlv1p3',
    quiz: 'imsqti_xmlv1p2/imscc_xmlv1p3/assessment',
    bank: 'imsqti_xmlv1p2/imscc_xmlv1p3/question-bank',
    other: 'associatedcontent/imscc_xmlv1p3/learning-application-resource',
    tool: 'imsbasiclti_xmlv1p3',
    task: 'assignment_xmlv1p0',
  },
  {
    version: '1.4.0',
    ns: 'http://www.imsglobal.org/xsd/imsccv1p4/imscp_v1p1',
    topic: 'imsdt_xmlv1p4',
    link: 'imswl_xmlv1p4',
    quiz: 'imsqti_xmlv1p2/imscc_xmlv1p3/assessment',
    bank: 'imsqti_xmlv1p2/imscc_xmlv1p3/question-bank',
    other: 'associatedcontent/imscc_xmlv1p4/learning-application-resource',
    tool: 'imsbasiclti_xmlv1p3',
    task: 'assignment_xmlv1p0',
  },
];

test.each(versions)('Common Cartridge $version: every kind of resource', async (v) => {
  const kinds: [string, string, string, string][] = [
    [
      'topic',
      v.topic,
      't.xml',
      '<topic xmlns="x"><title>Talk</title><text texttype="text/html">Say</text></topic>',
    ],
    [
      'link',
      v.link,
      'l.xml',
      '<webLink xmlns="x"><title>Agency</title><url href="https://example.org/"/></webLink>',
    ],
    [
      'quiz',
      v.quiz,
      'q.xml',
      quizXml('q', 'Check', [{ stem: 'How?', answers: ['a', 'b'], right: 0, points: 1 }]),
    ],
    ['page', 'webcontent', 'p.html', '<p>A page</p>'],
    ['file', 'webcontent', 'f.pdf', 'pdf'],
    ['other', v.other, 'app/entry.txt', 'x'],
    ...(v.tool
      ? [
          [
            'tool',
            v.tool,
            'tool.xml',
            '<cartridge_basiclti_link xmlns="x" xmlns:blti="b"><blti:title>Tool</blti:title><blti:secure_launch_url>https://tool.example/launch</blti:secure_launch_url></cartridge_basiclti_link>',
          ] as [string, string, string, string],
        ]
      : []),
    ...(v.task
      ? [
          [
            'task',
            v.task,
            'a.xml',
            '<assignment xmlns="x"><title>Notebook</title><text texttype="text/html">Do</text><gradable points_possible="5">true</gradable></assignment>',
          ] as [string, string, string, string],
        ]
      : []),
  ];
  const xml = `<manifest identifier="m" xmlns="${v.ns}"><metadata><schema>IMS Common Cartridge</schema><schemaversion>${v.version}</schemaversion></metadata><organizations><organization identifier="o" structure="rooted-hierarchy"><item identifier="root">${kinds.map(([id]) => `<item identifier="i-${id}" identifierref="r-${id}"><title>${id}</title></item>`).join('')}</item></organization></organizations><resources>${kinds.map(([id, type, path]) => resource(`r-${id}`, type, path)).join('')}${resource('r-bank', v.bank, 'b.xml')}</resources></manifest>`;
  const { shell, intake } = await read({
    'imsmanifest.xml': xml,
    'b.xml': '<questestinterop><objectbank ident="B"/></questestinterop>',
    ...Object.fromEntries(kinds.map(([, , path, text]) => [path, text])),
  });
  expect(shell.frame).toMatchObject({ format: 'common-cartridge', version: v.version });
  const expected: Record<string, string> = {
    topic: 'discussion',
    link: 'web-link',
    quiz: 'quiz',
    page: 'page',
    file: 'file',
    other: 'other',
    tool: 'tool-link',
    task: 'assignment',
  };
  expect(shell.items.map((i) => [i.title, i.kind])).toEqual(kinds.map(([id]) => [id, expected[id]]));
  expect(shell.banks.map((b) => b.title)).toEqual(['B']);
  // The learning application's files belong to it and are no files of their own.
  expect(shell.files.map((f) => f.path)).toEqual(['f.pdf']);
  expect(intake.filter((n) => n.code !== 'time-zone' && n.code !== 'as-of-today').map((n) => n.code)).toEqual(
    ['carried-through'],
  );
});

test('a thin cartridge keeps its links in the manifest itself, and they come back out', async () => {
  const xml = `<manifest identifier="m" xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1" xmlns:wl="http://www.imsglobal.org/xsd/imsccv1p3/imswl_v1p3" xmlns:lti="http://www.imsglobal.org/xsd/imslticc_v1p3" xmlns:blti="http://www.imsglobal.org/xsd/imsbasiclti_v1p0"><metadata><schema>IMS Thin Common Cartridge</schema><schemaversion>1.3.0</schemaversion></metadata><organizations><organization identifier="o" structure="rooted-hierarchy"><item identifier="root"><item identifier="a" identifierref="l"><title>Agency</title></item><item identifier="b" identifierref="t"><title>Tool</title></item></item></organization></organizations><resources><resource identifier="l" type="imswl_xmlv1p3"><wl:webLink><wl:title>Agency</wl:title><wl:url href="https://example.org/thin"/></wl:webLink></resource><resource identifier="t" type="imsbasiclti_xmlv1p3"><lti:cartridge_basiclti_link><blti:title>Tool</blti:title><blti:launch_url>https://tool.example/thin</blti:launch_url></lti:cartridge_basiclti_link></resource></resources></manifest>`;
  const { shell, intake } = await read({ 'imsmanifest.xml': xml });
  expect(shell.contents.map((c) => [c.kind, c.target, c.title])).toEqual([
    ['web-link', 'https://example.org/thin', 'Agency'],
    ['tool-link', 'https://tool.example/thin', 'Tool'],
  ]);
  expect(intake.filter((n) => n.code !== 'time-zone' && n.code !== 'as-of-today')).toEqual([]);
  const { writeManifest } = await import('./write-manifest');
  const again = await read({ 'imsmanifest.xml': writeManifest(shell) });
  expect(again.shell.contents.map((c) => c.target)).toEqual(shell.contents.map((c) => c.target));
});

describe('questions as data (QTI 1.2)', () => {
  const body = (xml: string) => {
    const read = readBody('quiz', xml);
    if (!read.ok) throw new Error(read.trouble.message);
    return read.value;
  };
  test('stem, answers, which is right, points', () => {
    const { questions, texts, points } = body(
      quizXml('q', 'Check', [
        { stem: '<p>How high?</p>', answers: ['one', 'two'], right: 1, points: 2 },
        { stem: 'Why?', answers: ['so', 'no', 'yes'], right: 0, points: 3 },
      ]),
    );
    expect(points).toBe(5);
    expect(
      questions.map((q) => [
        q.ident,
        q.profile,
        q.points,
        q.stem.map((p) => texts[p]),
        q.answers.map((a) => [a.text.map((p) => texts[p]).join(''), a.right]),
      ]),
    ).toEqual([
      [
        'q_q1',
        'cc.multiple_choice.v0p1',
        2,
        ['<p>How high?</p>'],
        [
          ['one', false],
          ['two', true],
        ],
      ],
      [
        'q_q2',
        'cc.multiple_choice.v0p1',
        3,
        ['Why?'],
        [
          ['so', true],
          ['no', false],
          ['yes', false],
        ],
      ],
    ]);
  });
  test('several right ones, refused ones and pictures between the texts', () => {
    const { questions, texts } = body(
      '<questestinterop><assessment title="T"><section><item ident="i"><presentation><material><mattext>Which</mattext><matimage uri="pic.png"/><mattext>of these?</mattext></material><response_lid ident="r" rcardinality="Multiple"><render_choice><response_label ident="a"><material><mattext>A</mattext></material></response_label><response_label ident="b"><material><mattext>B</mattext></material></response_label><response_label ident="c"><material><mattext>C</mattext></material></response_label></render_choice></response_lid></presentation><resprocessing><respcondition><conditionvar><and><varequal respident="r">a</varequal><not><varequal respident="r">b</varequal></not><varequal respident="r">c</varequal></and></conditionvar><setvar action="Set">100</setvar></respcondition><respcondition><conditionvar><varequal respident="r">b</varequal></conditionvar><setvar action="Set">0</setvar></respcondition></resprocessing></item></section></assessment></questestinterop>',
    );
    expect(questions[0]!.stem.map((p) => texts[p])).toEqual(['Which', '<a href="pic.png"></a>', 'of these?']);
    expect(questions[0]!.answers.map((a) => a.right)).toEqual([true, false, true]);
  });
  test('a bank names itself; a quiz names the banks it draws on', () => {
    expect(
      body('<questestinterop><objectbank ident="B1"><item ident="x"/></objectbank></questestinterop>'),
    ).toMatchObject({ bankIdent: 'B1', questions: [{ ident: 'x', answers: [] }] });
    expect(
      body(
        '<questestinterop><assessment title="T"><section><selection_ordering><selection><sourcebank_ref>B1</sourcebank_ref></selection></selection_ordering></section></assessment></questestinterop>',
      ).bankRefs,
    ).toEqual(['B1']);
  });
});
