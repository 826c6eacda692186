import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { test } from 'node:test';
import { globSync } from '../../scripts/files.mjs';

/** Arrows point inward: the rooms that each may import from, and the packages. */
const MAY_IMPORT: Record<string, { rooms: readonly string[]; packages: RegExp }> = {
	'src/core/': {
		rooms: ['src/core/'],
		packages:
			/^(zod|pluralize|date-fns\/(?:format|addMonths)|@date-fns\/utc|dinero\.js\/currencies|bezier-js|d3-polygon|ical-generator|ical\.js|papaparse|ml-matrix|clipper2-ts|qrcode-generator|polylabel|jstat|suncalc|svgpath|fit-curve|fast-xml-parser|dxf-parser|tinyqueue|cdt2d|meshoptimizer\/simplifier|three|three-mesh-bvh|culori\/fn|spectral\.js|@tarikjabiri\/dxf|pdf-lib|@pdf-lib\/fontkit|highs)$/
	},
	'src/lib/server/': {
		rooms: ['src/lib/server/', 'src/core/', 'src/lib/answer.ts'],
		packages:
			/^(\$app\/environment|node:.*|@sveltejs\/kit|zod|pluralize|fflate|sharp|file-type|@electric-sql\/pglite(\/nodefs)?)$/
	},
	'src/workers/': { rooms: ['src/workers/', 'src/core/'], packages: /^highs\/runtime\?url$/ },
	'src/lib/ui/': {
		rooms: [
			'src/lib/ui/',
			'src/core/',
			'src/workers/',
			'src/lib/find.ts',
			'src/lib/keys.ts',
			'src/lib/sort.ts',
			'src/lib/stations.ts',
			'src/lib/answer.ts'
		],
		packages:
			/^(openseadragon|three(\/examples\/jsm\/.*)?|pluralize|minisearch|natural-orderby|svelte-sonner|tinykeys|pdfjs-dist(\/build\/pdf\.worker\.min\.mjs\?url)?|d3-(zoom|selection|drag)|echarts(\/.*)?|\$app\/.*|svelte(\/.*)?|svelte-dnd-action|@lucide\/svelte\/.*)$/
	},
	'src/routes/': {
		rooms: ['src/routes/', 'src/lib/', 'src/core/', 'src/workers/'],
		packages:
			/^(\.\/\$types|\$app\/.*|svelte(\/.*)?|@sveltejs\/kit|@lucide\/svelte\/.*|svelte-dnd-action|svelte-sonner|tinykeys|pluralize|zod|qrcode-generator|@fontsource.*)$/
	}
};

/** The floors of the core, lowest first: imports go down only. */
const FLOORS = ['units', 'facts', 'trade', 'engines', 'answers', 'explain', 'formats'];

const ALIASES: Record<string, string> = { $core: 'src/core', $lib: 'src/lib', $tests: 'tests' };

/** Everything that a file imports, exports from, or loads at run time: a path from the root, or a package. */
function importsOf(path: string, text: string): string[] {
	const found = text.matchAll(
		/(?:^|\n)\s*(?:import|export)\s[^;'"]*?from\s+['"]([^'"]+)['"]|(?:^|\n)\s*import\s+['"]([^'"]+)['"]|\bimport\(\s*['"`]([^'"`]+)['"`]|new URL\(\s*['"]([^'"]+)['"]\s*,\s*import\.meta/g
	);
	return [...found].map((m) => {
		const name = m.slice(1).find((g) => g !== undefined)!;
		if (/^\.\.?\//.test(name)) return name === './$types' ? name : normalize(join(dirname(path), name));
		const [alias, ...rest] = name.split('/');
		return ALIASES[alias!] ? [ALIASES[alias!], ...rest].join('/') : name;
	});
}

const floorOf = (path: string): number => FLOORS.indexOf(path.split('/')[2]!);

/** What is wrong with the imports of a file: out of its rooms, or up the floors of the core. */
function breaches(path: string, text: string): string[] {
	const room = Object.keys(MAY_IMPORT).find((r) => path.startsWith(r));
	if (!room) return [];
	const { rooms, packages } = MAY_IMPORT[room]!;
	return importsOf(path, text)
		.filter((name) => {
			if (!name.startsWith('src/')) return !packages.test(name);
			if (!rooms.some((r) => name.startsWith(r))) return true;
			return room === 'src/core/' && floorOf(name) > floorOf(path);
		})
		.map((name) => `${path}: ${name}`);
}

const codeIn = (room: string) =>
	globSync(room, /\.(ts|svelte)$/).filter((f) => !f.includes('.test.') && !f.endsWith('.d.ts'));

for (const room of Object.keys(MAY_IMPORT))
	test(`${room} imports only what it may`, () => {
		const files = codeIn(room);
		assert.ok(files.length > 2);
		assert.deepEqual(
			files.flatMap((f) => breaches(f, readFileSync(f, 'utf8'))),
			[]
		);
	});

test('every file of the core stands on a floor', () => {
	assert.deepEqual(
		codeIn('src/core/').filter((f) => floorOf(f) < 0),
		[]
	);
});

/** A circle among these arrows, or null. */
function circleAmong(arrows: ReadonlyMap<string, ReadonlySet<string>>): string[] | null {
	const done = new Set<string>();
	const visit = (at: string, path: string[]): string[] | null => {
		if (path.includes(at)) return [...path.slice(path.indexOf(at)), at];
		if (done.has(at)) return null;
		for (const to of arrows.get(at) ?? []) {
			const found = visit(to, [...path, at]);
			if (found) return found;
		}
		done.add(at);
		return null;
	};
	for (const at of arrows.keys()) {
		const found = visit(at, []);
		if (found) return found;
	}
	return null;
}

/** The arrows between the files of the core, or between their folders. */
function arrowsOf(files: readonly (readonly [path: string, text: string])[], of: (path: string) => string) {
	const arrows = new Map<string, Set<string>>();
	for (const [path, text] of files)
		for (const name of importsOf(path, text))
			if (name.startsWith('src/core/') && of(name) !== of(path))
				arrows.set(of(path), (arrows.get(of(path)) ?? new Set()).add(of(name)));
	return arrows;
}

test('no circle of files or folders in the core', () => {
	const files = codeIn('src/core/').map((f) => [f, readFileSync(f, 'utf8')] as const);
	assert.equal(circleAmong(arrowsOf(files, dirname)), null);
	assert.equal(circleAmong(arrowsOf(files, (f) => f)), null);
});

test('a planted breach is found, however it is written', () => {
	const planted = (path: string, line: string) => breaches(path, `// first\n${line}\n`).length;
	const engine = 'src/core/engines/schedule/plan.ts';
	assert.equal(planted(engine, "import { DAY } from '../../units/localTime.ts';"), 0);
	for (const line of [
		"import type { CostumePlan } from '../../answers/plan.ts';",
		"import {\n\ttype CostumePlan\n} from '../../answers/plan.ts';",
		"import { x } from '$core/explain/figure.ts';",
		"export * from '../../formats/jobs.ts';",
		"const later = await import('../../answers/plan.ts');",
		"import '../../../lib/server/database.ts';",
		"import { x } from '../../../routes/+page.server.ts';",
		"import { page } from '$app/state';",
		"import { readFileSync } from 'node:fs';"
	])
		assert.equal(planted(engine, line), 1, line);
	assert.equal(planted('src/core/facts/step.ts', "import { ROUTES } from '../trade/route.ts';"), 1);
	assert.equal(planted('src/lib/ui/Tag.svelte', "import { database } from '../server/database.ts';"), 1);
	assert.equal(planted('src/lib/server/clock.ts', "import Tag from '$lib/ui/Tag.svelte';"), 1);
	const circle = arrowsOf(
		[
			['src/core/engines/a/one.ts', "import { y } from '../b/two.ts';"],
			['src/core/engines/b/two.ts', "import { z } from '../a/other.ts';"]
		],
		dirname
	);
	assert.deepEqual(circleAmong(circle), ['src/core/engines/a', 'src/core/engines/b', 'src/core/engines/a']);
});

test('the core touches no document, window or process', () => {
	const wrong = globSync('src/core', /\.ts$/)
		.filter((f) => !f.includes('.test.'))
		.filter((f) => /\b(document|window|process|globalThis)\.\w/.test(readFileSync(f, 'utf8')));
	assert.deepEqual(wrong, []);
});

test('SQL is text with numbered parameters: nothing is put into it but the names of described tables', () => {
	const wrong = globSync('src/lib/server', /\.ts$/).filter(
		(f) =>
			f !== 'src/lib/server/db/tables.ts' &&
			/`\s*(select|insert|update|delete|with\s+recursive)\s[^`]*\$\{/i.test(readFileSync(f, 'utf8'))
	);
	assert.deepEqual(wrong, []);
});

test('no form stands in a paragraph: the browser would end the paragraph before it, and the page would not wake', () => {
	const wrong = globSync('src', /\.svelte$/).flatMap((f) =>
		[...readFileSync(f, 'utf8').matchAll(/<p\b[^>]*>((?:(?!<\/p>).)*?)<\/p>/gs)]
			.filter((m) => /<(Act|Form|TaskBar|form)\b/.test(m[1]!))
			.map((m) => `${f}: ${m[0].slice(0, 60)}`)
	);
	assert.deepEqual(wrong, []);
});

test('one clock: nothing else asks the machine what time it is, so that the tests hold at any hour', () => {
	const files = [...globSync('src', /\.(ts|svelte)$/), ...globSync('tests', /\.ts$/)].filter(
		(f) => f !== 'src/lib/server/clock.ts' && !f.endsWith('architecture.test.ts')
	);
	const wrong = files.filter((f) => /new Date\(\)|Date\.now\(/.test(readFileSync(f, 'utf8')));
	assert.deepEqual(wrong, []);
});
