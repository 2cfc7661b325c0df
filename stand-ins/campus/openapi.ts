import { campusApi, openApiAbout } from './api';
import { CampusHost } from './host';

/** The description of the API as docs/campus-host.openapi.json publishes it (OpenAPI 3.1). */
export const openApiText = (): string =>
  `${JSON.stringify(campusApi(new CampusHost()).getOpenAPI31Document(openApiAbout), null, 2)}\n`;
