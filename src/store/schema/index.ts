/** The tables of the database, a file for each concept. */
export * from './hosts';
export * from './shells';
export * from './audits';
export * from './decisions';
export * from './plans';
export * from './runs';
export * from './host-names';
export * from './incomings';
export * from './house-rules';
export * from './jobs';
export * from './watched-folders';
export * from './switches';
export * from './probes';
export * from './comparisons';
export * from './recipes';
export * from './next-times';
