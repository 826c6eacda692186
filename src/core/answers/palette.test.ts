import assert from 'node:assert/strict';
import { test } from 'node:test';
import { difference } from '../engines/colour/difference.ts';
import { labOf, labOfHex } from '../engines/colour/lab.ts';
import { mixOf } from '../engines/colour/mix.ts';
import { measurePatch, type Picture } from '../engines/colour/patch.ts';
import { differenceFigure } from '../explain/colour.ts';
import { valueOf } from '../explain/figure.ts';
import type { PaletteColour } from '../facts/palette.ts';
import { STANDARD } from '../trade/catalogue.ts';
import type { Lab } from '../units/lab.ts';
import { looksOf, mixable, mixLab, nearestOwned, nearMisses, paintOf } from './palette.ts';
import * as make from '../../../tests/support/record.ts';

/** A picture of one colour a column: each column is 10 pixels wide, 20 high. */
function columns(...colours: [number, number, number][]): Picture {
	const width = colours.length * 10;
	const data = new Uint8ClampedArray(width * 20 * 4);
	for (let y = 0; y < 20; y++)
		for (let x = 0; x < width; x++) data.set([...colours[Math.floor(x / 10)]!, 255], 4 * (y * width + x));
	return { data, width, height: 20 };
}
const near = (a: Lab, b: Lab, by: number) =>
	assert.ok(difference(a, b) <= by, `${a} and ${b} are ${difference(a, b)} apart`);

test('a patch of one colour is that colour, and strays by nothing', () => {
	const read = measurePatch(columns([176, 141, 87], [20, 40, 60]), [5, 10], 3);
	assert.ok(read.ok);
	near(read.value.lab, labOf([176, 141, 87]), 1e-6);
	assert.ok(read.value.spread < 1e-6 && read.value.clipped === 0);
	// Pixels whose middle lies within 3 of the middle of the disc: 32 on this grid.
	assert.equal(read.value.pixels, 32);
});

test('a patch over two colours is the mean of their light, and says how far it strays', () => {
	const read = measurePatch(columns([255, 255, 255], [0, 0, 0]), [10, 10], 4);
	assert.ok(read.ok);
	// Half the light of white: L = 116 × ∛0.5 − 16 = 76.07.
	assert.ok(Math.abs(read.value.lab[0] - 76.07) < 0.01, String(read.value.lab));
	assert.ok(read.value.spread > 20);
	assert.equal(read.value.clipped, 1);
});

test('a neutral takes the tint of the light out of the picture', () => {
	const linear = (v: number) => ((v / 255 + 0.055) / 1.055) ** 2.4;
	const tinted = ([r, g, b]: number[]) =>
		[r! * 1, g! * 0.8, b! * 0.5].map((v) => Math.round(255 * (1.055 * v ** (1 / 2.4) - 0.055)));
	const truth: [number, number, number] = [120, 90, 140];
	const under = (rgb: number[]) => tinted(rgb.map(linear)) as [number, number, number];
	const picture = columns(under(truth), under([128, 128, 128]));
	const plain = measurePatch(picture, [5, 10], 3);
	const balanced = measurePatch(picture, [5, 10], 3, [15, 10]);
	assert.ok(plain.ok && balanced.ok);
	assert.ok(difference(plain.value.lab, labOf(truth)) > 10);
	// The neutral keeps its own lightness: 0.2126 + 0.7152 × 0.8 + 0.0722 × 0.5 of it came through.
	const came = 0.2126 + 0.7152 * 0.8 + 0.0722 * 0.5;
	const dimmed = truth.map((v) => 255 * (1.055 * (linear(v) * came) ** (1 / 2.4) - 0.055));
	near(balanced.value.lab, labOf(dimmed as [number, number, number]), 0.6);
});

test('a patch off the picture and a neutral that has no light are refused', () => {
	const picture = columns([10, 20, 30], [0, 0, 0]);
	const off = measurePatch(picture, [500, 10], 3);
	const dark = measurePatch(picture, [5, 10], 3, [15, 10]);
	assert.ok(!off.ok && off.problem.code === 'patchOffPicture');
	assert.ok(!dark.ok && dark.problem.code === 'neutralUnusable');
	const clear = { ...picture, data: new Uint8ClampedArray(picture.data.length) };
	assert.ok(!measurePatch(clear, [5, 10], 3).ok, 'nothing is there to be measured');
});

const hex = (text: string) => labOfHex(text)!;
const brass = make.material(1, { name: 'brass spray', coatProduct: 'acrylicSpray', lab: hex('#b3904a') });
const tube = make.material(2, {
	name: 'brass tube',
	coatProduct: 'brushedAcrylic',
	lab: hex('#bd9a55'),
	stash: 1
});
const ochre = make.material(3, {
	name: 'ochre',
	coatProduct: 'brushedAcrylic',
	lab: hex('#c08a3a'),
	stash: 1
});
const slate = make.material(4, { name: 'slate linen', family: 'cloth', lab: hex('#47586b'), stash: 3 });
const plain = make.material(5, { name: 'foam' });
const materials = [brass, tube, ochre, slate, plain];
const colour = (componentIds: number[], more: Partial<PaletteColour> = {}): PaletteColour => ({
	id: 1,
	costumeId: 1,
	position: 0,
	name: 'old brass',
	lab: hex('#b99446'),
	spread: null,
	pictureId: null,
	picked: null,
	mix: [],
	componentIds,
	note: '',
	version: 1,
	...more
});

test('what is owned comes before what is not, the nearest first', () => {
	const found = nearestOwned(hex('#b99446'), materials, 3);
	assert.deepEqual(
		found.map((n) => n.material.name),
		['brass tube', 'ochre', 'slate linen']
	);
	assert.deepEqual(
		nearestOwned(hex('#b99446'), materials, 4).map((n) => n.material.name),
		['brass spray', 'brass tube', 'ochre', 'slate linen']
	);
	assert.equal(found[0]!.difference, difference(hex('#b99446'), tube.lab!));
});

test('only owned paints that are brushed on are mixed, and a kept mix is what its drops come to', () => {
	assert.deepEqual(
		mixable(materials, STANDARD).map((m) => m.name),
		['brass tube', 'ochre']
	);
	const mix = [
		{ materialId: 2, drops: 3 },
		{ materialId: 3, drops: 1 }
	];
	assert.deepEqual(
		mixLab(mix, materials),
		mixOf([
			{ paint: paintOf(tube), drops: 3 },
			{ paint: paintOf(ochre), drops: 1 }
		])
	);
	assert.equal(mixLab([{ materialId: 99, drops: 1 }], materials), null);
	assert.equal(mixLab([{ materialId: 5, drops: 1 }], materials), null);
	assert.equal(mixLab([], materials), null);
});

const record = make.record({
	components: [1, 2, 3, 4].map((id) => make.component(id)),
	coats: [
		make.coat(1, 1, { product: 'fillerPrimer' }),
		make.coat(2, 1, { product: 'acrylicSpray', materialId: 1 }),
		make.coat(3, 1, { product: 'clearSpray' }),
		make.coat(4, 2, { product: 'brushedAcrylic', materialId: 2 }),
		make.coat(5, 3, { product: 'acrylicSpray', materialId: 1 })
	],
	steps: [
		make.step(1, 1, { position: 0, coatId: 1 }),
		make.step(2, 1, { position: 1, coatId: 2 }),
		make.step(3, 1, { position: 2, coatId: 3 }),
		make.step(4, 2, { position: 0, coatId: 4 }),
		make.step(5, 3, { position: 0, coatId: 5 })
	],
	needs: [make.need(4, 4, 2), make.need(4, 5, 1)]
});
const looks = (id: number) => looksOf({ id }, record, materials, STANDARD)?.material.name ?? null;

test('a part looks like its last colour, else like the cloth that it takes most of', () => {
	assert.deepEqual([1, 2, 3, 4].map(looks), ['brass spray', 'brass tube', 'brass spray', 'slate linen']);
	assert.equal(looksOf({ id: 9 }, record, materials, STANDARD), null);
});

test('worked by hand: two brasses 3.2 apart read as a mistake, the same one and two colours do not', () => {
	const apart = difference(brass.lab!, tube.lab!);
	assert.ok(apart > 1 && apart < 6, String(apart));
	const missed = (componentIds: number[], between: [number, number] = [1, 6]) =>
		nearMisses({ ...record, palette: [colour(componentIds)] }, materials, STANDARD, between).map(
			(m) => `${m.a.component.id} ${m.b.component.id}`
		);
	assert.deepEqual(missed([1, 2, 3]), ['1 2', '2 3']);
	assert.deepEqual(missed([1, 3]), []);
	assert.deepEqual(missed([1, 4]), [], 'far apart: meant so');
	assert.deepEqual(missed([1, 2], [5, 6]), []);
	assert.deepEqual(missed([1]), []);
	const figure = differenceFigure('A-01 and A-02', [brass.lab!, 'brass spray'], [tube.lab!, 'brass tube']);
	assert.equal(valueOf(figure), apart);
});
