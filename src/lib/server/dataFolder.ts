import { resolve } from 'node:path';

/** Where the data lies: DAPPER_DATA, else `data/own` beside the application. */
export const dataFolder = (): string => resolve(process.env.DAPPER_DATA ?? 'data/own');
