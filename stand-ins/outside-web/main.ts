// The outside web that stands in: node dist/stand-ins/outside-web.mjs FILE [http-port https-port]. It writes into FILE where it is to be found.
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { startOutsideWeb } from './serve';

const [, , file = '.data/outside-web.json', http = '0', https = '0'] = process.argv;
const web = await startOutsideWeb({ http: Number(http), https: Number(https) });
mkdirSync(dirname(file), { recursive: true });
writeFileSync(file, JSON.stringify(web.map));
console.log(`Outside web (a stand-in): ports ${web.map.http} and ${web.map.https} of this computer`);
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => void web.close().then(() => process.exit(0)));
