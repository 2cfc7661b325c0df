import { escapeAttribute, escapeText } from '../xml/parse-xml';

const head = '<?xml version="1.0" encoding="UTF-8"?>\n';

/** A discussion topic (Common Cartridge 1.3, imsdt_v1p3). */
export const topicXml = (title: string, html: string): string =>
  `${head}<topic xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imsdt_v1p3">\n <title>${escapeText(title)}</title>\n <text texttype="text/html">${escapeText(html)}</text>\n</topic>\n`;

/** A web link (Common Cartridge 1.3, imswl_v1p3). */
export const webLinkXml = (title: string, url: string): string =>
  `${head}<webLink xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imswl_v1p3">\n <title>${escapeText(title)}</title>\n <url href="${escapeAttribute(url)}"/>\n</webLink>\n`;

/** An assignment (assignment extension 1.0). */
export const assignmentXml = (id: string, title: string, html: string, points: number | null): string =>
  `${head}<assignment xmlns="http://www.imsglobal.org/xsd/imscc_extensions/assignment" identifier="${escapeAttribute(id)}">\n <title>${escapeText(title)}</title>\n <text texttype="text/html">${escapeText(html)}</text>\n <gradable${points === null ? '' : ` points_possible="${points}"`}>true</gradable>\n <submission_formats><format type="file"/></submission_formats>\n</assignment>\n`;

export interface QuizQuestion {
  readonly stem: string;
  readonly answers: readonly string[];
  /** Place of the right answer, 0 first. */
  readonly right: number;
  readonly points: number;
}

const field = (label: string, entry: string) =>
  `<qtimetadatafield><fieldlabel>${label}</fieldlabel><fieldentry>${entry}</fieldentry></qtimetadatafield>`;

function questionsXml(id: string, questions: readonly QuizQuestion[]): string[] {
  return questions.map((q, n) => {
    const answers = q.answers.map(
      (a, k) =>
        `      <response_label ident="${id}_q${n + 1}_a${k + 1}"><material><mattext texttype="text/plain">${escapeText(a)}</mattext></material></response_label>`,
    );
    return `   <item ident="${id}_q${n + 1}" title="Question ${n + 1}">
    <itemmetadata><qtimetadata>${field('cc_profile', 'cc.multiple_choice.v0p1')}${field('cc_weighting', String(q.points))}</qtimetadata></itemmetadata>
    <presentation>
     <material><mattext texttype="text/html">${escapeText(q.stem)}</mattext></material>
     <response_lid ident="response" rcardinality="Single"><render_choice>
${answers.join('\n')}
     </render_choice></response_lid>
    </presentation>
    <resprocessing><outcomes><decvar maxvalue="100" minvalue="0" varname="SCORE" vartype="Decimal"/></outcomes>
     <respcondition continue="No"><conditionvar><varequal respident="response">${id}_q${n + 1}_a${q.right + 1}</varequal></conditionvar><setvar action="Set" varname="SCORE">100</setvar></respcondition>
    </resprocessing>
   </item>`;
  });
}

/** A question bank (QTI 1.2 as Common Cartridge 1.3 profiles it). */
export const bankXml = (ident: string, questions: readonly QuizQuestion[]): string =>
  `${head}<questestinterop xmlns="http://www.imsglobal.org/xsd/ims_qtiasiv1p2">\n <objectbank ident="${escapeAttribute(ident)}">\n${questionsXml(ident, questions).join('\n')}\n </objectbank>\n</questestinterop>\n`;

/** A quiz of multiple choice questions (QTI 1.2 as Common Cartridge 1.3 profiles it). */
export function quizXml(id: string, title: string, questions: readonly QuizQuestion[]): string {
  return `${head}<questestinterop xmlns="http://www.imsglobal.org/xsd/ims_qtiasiv1p2">
 <assessment ident="${escapeAttribute(id)}" title="${escapeAttribute(title)}">
  <qtimetadata>${field('cc_profile', 'cc.exam.v0p1')}${field('qmd_assessmenttype', 'Examination')}</qtimetadata>
  <section ident="${escapeAttribute(id)}_section">
${questionsXml(id, questions).join('\n')}
  </section>
 </assessment>
</questestinterop>
`;
}
