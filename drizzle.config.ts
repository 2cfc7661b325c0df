import type { Config } from 'drizzle-kit';

const config: Config = { dialect: 'sqlite', schema: './src/store/schema.ts', out: './src/store/migrations' };
export default config;
