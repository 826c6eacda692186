import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { globSync } from '../../scripts/files.mjs';

test('every promise about data names a test that there is', () => {
	const text = (path: string) => readFileSync(path, 'utf8');
	const named = new Set(
		['src', 'tests/unit', 'tests/browser']
			.flatMap((folder) => globSync(folder, /\.test\.ts$/))
			.flatMap((path) => [...text(path).matchAll(/^test\('(.*?)', /gm)].map((m) => m[1]!))
	);
	const promises = text('docs/promises.md')
		.split('\n')
		.flatMap((line) => /^\| (?!promise|---)(.*?) \| `(.*)` \|$/.exec(line)?.slice(1) ?? [])
		.reduce<[string, string][]>((all, cell, i, cells) => (i % 2 ? [...all, [cells[i - 1]!, cell]] : all), []);
	assert.ok(promises.length >= 20, `${promises.length} promises`);
	for (const [promise, its] of promises) assert.ok(named.has(its), `${promise}: no test is called ${its}`);
});
