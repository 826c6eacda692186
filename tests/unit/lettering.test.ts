import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import fontkit from '@pdf-lib/fontkit';
import { PDFDocument } from 'pdf-lib';
import sharp from 'sharp';
import { newPrint } from '../../src/core/formats/pdf.ts';
import { printFonts } from '../support/fonts.ts';

/** Prints are opened by poppler, which is none of ours. */
let folder: string;
before(() => (folder = mkdtempSync(join(tmpdir(), 'dapper-letters-'))));
after(() => rmSync(folder, { recursive: true, force: true }));

async function printed(name: string, lines: readonly string[], bold = false): Promise<string> {
	const { doc, fonts } = await newPrint('letters', printFonts());
	const page = doc.addPage([400, 20 * lines.length + 20]);
	lines.forEach((line, i) =>
		page.drawText(line, {
			x: 10,
			y: page.getHeight() - 20 * (i + 1),
			size: 12,
			font: bold ? fonts.bold : fonts.plain
		})
	);
	const file = join(folder, `${name}.pdf`);
	writeFileSync(file, await doc.save());
	return file;
}
const readBack = (file: string) =>
	spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).stdout.trim().split(/\n+/);
async function ink(file: string): Promise<Buffer> {
	const at = file.replace('.pdf', '');
	assert.equal(spawnSync('pdftoppm', ['-r', '150', '-gray', '-png', '-singlefile', file, at]).status, 0);
	return sharp(`${at}.png`).raw().toBuffer();
}
const differing = (a: Buffer, b: Buffer) => a.reduce((n, v, i) => n + Number(Math.abs(v - b[i]!) > 100), 0);

const NAMES = [
	'Łucja Żółć, gładko źle',
	'Dvořák, šířka, žlutý',
	'Ağrı, İzmir, şeker',
	'Hőség, gyűrű',
	'Ș și ț, ăâî',
	'Ελένη Ώρα',
	'Алёна Щукина, їжак',
	'Nguyễn Thị Ước',
	'Þór, Færøyar, Straße, cœur',
	'2 × 3 − ½, “so”, ‘it’ – 5 °C, 12 €'
];

test('letters beyond Latin-1 are printed as they are written, and read back by poppler', async () => {
	for (const bold of [false, true]) {
		const file = await printed(`names-${bold}`, NAMES, bold);
		assert.deepEqual(readBack(file), NAMES);
		const fonts = spawnSync('pdffonts', [file], { encoding: 'utf8' }).stdout;
		assert.match(
			fonts,
			bold ? /OpenSans-Bold\S* +CID TrueType +Identity-H +yes/ : /OpenSans-Regular\S* +CID/
		);
	}
});

test('what is on the paper is what the whole font draws: the letters taken out of it are not damaged', async () => {
	const files = printFonts();
	for (const [k, lines] of [NAMES, NAMES.map((n) => n.toUpperCase()), ['ŁŻĞŞŐŘ'], ['1']].entries()) {
		const doc = await PDFDocument.create();
		doc.registerFontkit(fontkit);
		const page = doc.addPage([400, 20 * lines.length + 20]);
		const font = await doc.embedFont(files.plain, { features: { kern: false, liga: false, calt: false } });
		lines.forEach((line, i) =>
			page.drawText(line, { x: 10, y: page.getHeight() - 20 * (i + 1), size: 12, font })
		);
		writeFileSync(join(folder, `whole-${k}.pdf`), await doc.save());
		const whole = await ink(join(folder, `whole-${k}.pdf`));
		assert.ok(whole.filter((v) => v < 128).length > 15, 'something is drawn');
		assert.equal(differing(await ink(await printed(`taken-${k}`, lines)), whole), 0, lines[0]);
	}
	assert.ok(
		differing(await ink(await printed('marked', ['ŁŻĞŞŐŘ'])), await ink(await printed('bare', ['LZGSOR']))) >
			50
	);
});

test('what is written in two letters is set as one; what the font lacks is told by what is left of it, or by a question mark', async () => {
	const letters = ['Z\u0307o\u0301ł', 'Ａｒｍ', '日本', '🧵 thread', 'a\u0001b'];
	assert.deepEqual(readBack(await printed('odd', letters)), ['Żół', 'Arm', '??', '? thread', 'a?b']);
});

test('a line is as wide as poppler measures it', async () => {
	const { fonts } = await newPrint('width', printFonts());
	const words = ['nini', 'Wąwóz', 'Ελένη', '1234.50'];
	const { stdout } = spawnSync('pdftotext', ['-bbox', await printed('wide', words), '-'], {
		encoding: 'utf8'
	});
	const measured = [...stdout.matchAll(/xMin="([\d.]+)"[^>]*xMax="([\d.]+)"[^>]*>([^<]+)</g)];
	assert.deepEqual(
		measured.map((m) => m[3]),
		words
	);
	for (const [, from, to, word] of measured)
		assert.ok(Math.abs(Number(to) - Number(from) - fonts.plain.widthOfTextAtSize(word!, 12)) < 0.01, word);
	assert.equal(fonts.plain.widthOfTextAtSize('', 10), 0);
});
