import type { Config } from 'drizzle-kit';

const config: Config = {
  dialect: 'sqlite',
  schema: './src/store/schema/index.ts',
  out: './src/store/migrations',
};
export default config;
