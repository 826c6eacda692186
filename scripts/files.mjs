import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Files below `folder` whose path matches, sorted.
 * @param {string} folder
 * @param {RegExp} pattern
 */
export function globSync(folder, pattern) {
	if (!existsSync(folder)) return [];
	return readdirSync(folder, { recursive: true })
		.map((name) => join(folder, String(name)))
		.filter((path) => pattern.test(path))
		.sort();
}
