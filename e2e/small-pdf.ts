/** A PDF of one page with one line (ISO 32000-1, 7.5: header, body, cross-reference table, trailer). */
export function smallPdf(line: string): Buffer {
  const drawing = `BT /F1 24 Tf 40 100 Td (${line}) Tj ET`;
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 400 200] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>',
    `<< /Length ${drawing.length} >>\nstream\n${drawing}\nendstream`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
  ];
  let text = '%PDF-1.4\n';
  const offsets = objects.map((object, n) => {
    const offset = text.length;
    text += `${n + 1} 0 obj\n${object}\nendobj\n`;
    return offset;
  });
  const table = offsets.map((offset) => `${String(offset).padStart(10, '0')} 00000 n \n`).join('');
  const head = `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n`;
  const trailer = `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${text.length}\n%%EOF\n`;
  return Buffer.from(text + head + table + trailer, 'latin1');
}
