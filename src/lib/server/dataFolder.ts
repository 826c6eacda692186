import { isAbsolute, relative, resolve } from 'node:path';

/** Where the data lies: DAPPER_DATA, else `data/own` beside the application. */
export const dataFolder = (): string => resolve(process.env.DAPPER_DATA ?? 'data/own');

/** A folder as people are told of it: from the application on where it lies in it. */
export function shownFolder(folder: string): string {
	const inside = relative(process.cwd(), folder);
	return inside.startsWith('..') || isAbsolute(inside) ? folder : inside;
}
