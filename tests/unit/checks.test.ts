import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { globSync } from '../../scripts/files.mjs';

const text = (path: string) => readFileSync(path, 'utf8');
const lines = text('docs/checks.md')
	.split('\n')
	.filter((l) => l.startsWith('| ') && !/^\| (page|---)/.test(l));
const cells = lines.map((l) => l.split(' | ').map((c) => c.replace(/^\| | \|$/g, '')));

test('every figure that shows its working stands in the list of checks, and nothing that is none', () => {
	const told = new Set(cells.flatMap((c) => [...c[2]!.matchAll(/`(\w+)`/g)].map((m) => m[1]!)));
	const made = new Set(
		globSync('src/core/explain', /(?<!\.test)\.ts$/).flatMap((path) =>
			[...text(path).matchAll(/^export (?:function|const) (\w+Figures?)\b/gm)].map((m) => m[1]!)
		)
	);
	assert.deepEqual([...told].sort(), [...made].sort());
});

test('every case of the list is a test, by its name', () => {
	const tests = ['src', 'tests/unit'].flatMap((folder) => globSync(folder, /\.test\.ts$/));
	const named = new Set(
		tests.flatMap((path) => [...text(path).matchAll(/^test\('(.*?)', /gm)].map((m) => m[1]!))
	);
	for (const [page, figure, , cases] of cells)
		assert.ok(named.has(cases!.replaceAll('`', '')), `${page}: ${figure}: no test is called ${cases}`);
	assert.ok(
		cells.length > 40 && cells.every((c) => c.length === 5),
		'every line says page, figure, function, case and source'
	);
});
