import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { globSync } from '../../scripts/files.mjs';

/** Arrows point inward: what each room may import, besides packages. */
const MAY_IMPORT: Record<string, RegExp> = {
	'src/core/':
		/^(\.|zod$|ical-generator$|ical\.js$|papaparse$|ml-matrix$|clipper2-ts$|qrcode-generator$|polylabel$|suncalc$|svgpath$|fit-curve$|fast-xml-parser$|dxf-parser$|@tarikjabiri\/dxf$|pdf-lib$)/,
	'src/lib/server/':
		/^(\.|\$core\/|\$lib\/(server\/|answer)|\$app\/environment$|node:|@sveltejs\/kit$|zod$|fflate$|sharp$|file-type$|@electric-sql\/pglite$)/,
	'src/workers/': /^\.\.?\/(core\/|protocol|pixels|\.\.\/core\/)/,
	'src/lib/ui/':
		/^(\.|\$core\/|\$lib\/(ui\/|find|sort|stations|answer)|openseadragon$|pdfjs-dist(\/build\/pdf\.worker\.min\.mjs\?url)?$|d3-(zoom|selection)$|\$app\/|svelte($|\/)|svelte-dnd-action$|@lucide\/svelte\/)/
};

const imports = (path: string) =>
	[...readFileSync(path, 'utf8').matchAll(/(?:^|\n)\s*(?:import|export)\s[^;'"]*?from\s+'([^']+)'/g)].map(
		(m) => m[1]!
	);

for (const [room, allowed] of Object.entries(MAY_IMPORT))
	test(`${room} imports only what it may`, () => {
		const files = globSync(room, /\.(ts|svelte)$/).filter((f) => !f.includes('.test.'));
		assert.ok(files.length > 2);
		const wrong = files.flatMap((f) =>
			imports(f)
				.filter((i) => !allowed.test(i) || (room === 'src/core/' && /(\.\.\/)+(lib|routes)/.test(i)))
				.map((i) => `${f}: ${i}`)
		);
		assert.deepEqual(wrong, []);
	});

test('the core touches no document, window or process', () => {
	const wrong = globSync('src/core', /\.ts$/)
		.filter((f) => !f.includes('.test.'))
		.filter((f) => /\b(document|window|process|globalThis)\.\w/.test(readFileSync(f, 'utf8')));
	assert.deepEqual(wrong, []);
});

test('SQL is text with numbered parameters: nothing is put into it', () => {
	const wrong = globSync('src/lib/server', /\.ts$/).filter((f) =>
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
