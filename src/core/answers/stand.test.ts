import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { BodyMeasure } from '../facts/bodyMeasure.ts';
import { PANEL_PRESETS } from '../engines/panels/presets.ts';
import { covered, type LookedFrom } from '../engines/assembly/outline.ts';
import { standSurface } from '../engines/stand/surface.ts';
import { signedArea } from '../engines/pattern/outline.ts';
import { meshObj, meshStl } from '../formats/meshFile.ts';
import { readMesh } from '../engines/mesh/readMesh.ts';
import { figuresOfMesh, triangleCount } from '../engines/mesh/mesh.ts';
import { component } from '$tests/support/record.ts';
import { shapeFor } from './shapePieces.ts';
import { layersWorn } from './standLayers.ts';
import { levelsOf, measuredOver, standFor, worthMeasuring } from './stand.ts';
import { presetFor } from './presetFor.ts';
import { sceneOf } from './standScene.ts';

const measure = (key: BodyMeasure['measure'], mm: number, more: Partial<BodyMeasure> = {}): BodyMeasure => ({
	id: 1,
	wearerId: 1,
	measure: key,
	side: 'none',
	over: 'skin',
	mm,
	takenOn: 1,
	confirmed: false,
	note: '',
	version: 1,
	...more
});
const WEARER = {
	id: 1,
	name: 'Ash',
	note: '',
	sections: {},
	version: 1,
	measures: [
		measure('stature', 1700),
		measure('chestGirth', 950),
		measure('waistGirth', 780),
		measure('hipGirth', 1000, { over: 'undersuit' })
	]
};

test('what is worn grows the form by its thickness: 5 mm over the chest is 10π farther round', () => {
	const worn = [
		component(1, { zones: ['chest'], layer: 1, thicknessMm: 2 }),
		component(2, { zones: ['chest', 'hips'], layer: 2, thicknessMm: 3 }),
		component(3, { zones: ['chest'], layer: 3, thicknessMm: 8 }),
		component(4, { zones: ['chest'], layer: 2, thicknessMm: 9, parentId: 2 })
	];
	const girth = (upTo: number, name: string) =>
		levelsOf(standFor(WEARER, worn, upTo)).find((l) => l.name === name)!.girth;
	assert.equal(girth(0, 'chest'), 950);
	assert.ok(
		Math.abs(girth(2, 'chest') - (950 + 2 * Math.PI * 5)) < 1e-9,
		'what is part of another lies in it'
	);
	// The hips were measured over the undersuit: layer 1 is in it.
	assert.ok(Math.abs(girth(2, 'hips') - (1000 + 2 * Math.PI * 3)) < 1e-9);
	assert.equal(girth(2, 'waist'), 780);
	assert.deepEqual(
		layersWorn(worn).map((l) => l.layer),
		[1, 2, 3]
	);
});

test('what is worth measuring next: never what is measured, the one first that moves the form most', () => {
	const measured = measuredOver(WEARER, [], 0);
	const worth = worthMeasuring(measured);
	assert.ok(worth.length > 5);
	for (const key of ['stature', 'chestGirth', 'waistGirth', 'hipGirth'] as const)
		assert.ok(!worth.some((w) => w.measure === key), key);
	worth.forEach((w, i) => assert.ok(w.moves > 0 && (i === 0 || w.moves <= worth[i - 1]!.moves)));
	// A length that moves the feet moves more than the girth of a wrist, whose half widths move by 8 % of it at most.
	const at = (key: string) => worth.find((w) => w.measure === key)!;
	assert.ok(at('insideLeg').moves > at('wristGirth').moves);
	const wrist = levelsOf(standFor(WEARER)).find((l) => l.measure === 'wristGirth')!;
	assert.ok(at('wristGirth').moves >= 0.08 * (wrist.wide / 2) - 1e-9);
});

test('outlines from three sides: as high as the wearer, as wide as the hips with arms beside them; back is front in a mirror', () => {
	const stand = standFor(WEARER);
	const seen = (from: LookedFrom) => covered([standSurface(stand, 2)], from).flat();
	const span = (points: readonly (readonly [number, number])[], k: 0 | 1) =>
		Math.max(...points.map((p) => p[k])) - Math.min(...points.map((p) => p[k]));
	for (const view of ['front', 'left', 'back', 'right'] as const) {
		const all = seen(view);
		assert.ok(Math.abs(span(all, 1) - 1700) < 1.5, view);
	}
	const [front, back] = [seen('front'), seen('back')];
	assert.ok(Math.abs(span(front, 0) - span(back, 0)) < 0.1);
	const side = seen('left');
	// The toes of who is seen from the left point to the left.
	assert.ok(-Math.min(...side.map((p) => p[0])) > Math.max(...side.map((p) => p[0])));
	const foot = stand.lengths.find((l) => l.measure === 'footLength')!.mm;
	const deepest = Math.max(...levelsOf(stand).map((l) => l.deep), foot);
	assert.ok(span(side, 0) >= deepest - 2 && span(side, 0) < deepest * 1.5);
});

test('a form as STL and as OBJ is read back as it was: closed limbs, the same volume', () => {
	const surface = standSurface(standFor(WEARER));
	const asMesh = {
		points: Float64Array.from(surface.vertices.flat()),
		triangles: Uint32Array.from(surface.faces.flat())
	};
	const { volume } = figuresOfMesh(asMesh);
	for (const bytes of [
		meshStl(surface, 'form of Ash'),
		new TextEncoder().encode(meshObj(surface, 'form\nof Ash'))
	]) {
		const read = readMesh(bytes);
		assert.ok(read.ok);
		assert.equal(triangleCount(read.value), surface.faces.length);
		assert.ok(Math.abs(figuresOfMesh(read.value).volume / volume - 1) < 1e-4);
	}
	// An adult displaces as many litres as kilograms, about: 1,700 mm and these girths are 50 to 90.
	assert.ok(volume / 1e6 > 50 && volume / 1e6 < 90, `${volume / 1e6} l`);
});

test('what is drawn: guessed apart from measured, a line at each measured level, a second form beside the first', () => {
	const stand = standFor(WEARER);
	const one = sceneOf(stand, null, { limb: 0, section: 4 });
	assert.equal(one.lines.filter((l) => l.strong).length, 1);
	assert.equal(
		one.meshes.reduce((sum, m) => sum + m.faces.length, 0),
		standSurface(stand, 2).faces.length
	);
	assert.ok(one.meshes.some((m) => m.look === 'cloth') && one.meshes.some((m) => m.look === 'guessed'));
	const two = sceneOf(stand, standFor({ measures: [] }), { limb: 0, section: 4 });
	const xs = two.meshes.flatMap((m) => m.vertices.map((p) => p[0]));
	assert.ok(Math.min(...xs) < -400 && Math.max(...xs) > 400);
});

test('panels follow the measures, what is worn beneath and the thickness; what they give is told against how they are worked', () => {
	const plate = component(2, { name: 'Back plate', zones: ['chest', 'back'], layer: 2, thicknessMm: 6 });
	const fit = (chest: number, beneath = 0) => ({
		component: plate,
		components: [plate, component(1, { zones: ['chest'], layer: 1, thicknessMm: beneath })],
		wearers: [{ ...WEARER, measures: [...WEARER.measures, measure('chestGirth', chest, { takenOn: 2 })] }],
		materials: []
	});
	const shape = (gives: number, thickness = 6) => ({
		shaper: 'panels',
		values: { ease: 60, thickness, gives },
		panels: PANEL_PRESETS.backPlate.plan
	});
	const area = (its: ReturnType<typeof shapeFor>) => {
		assert.ok(its.ok);
		return signedArea(its.value.pieces[0]!.outline);
	};
	const plain = area(shapeFor(shape(5), fit(950)));
	assert.ok(area(shapeFor(shape(5), fit(1050))) > plain * 1.02, 'a larger chest');
	assert.ok(area(shapeFor(shape(5), fit(950, 10))) > plain * 1.01, 'a padded one');
	assert.ok(area(shapeFor(shape(5, 20), fit(950))) > plain * 1.01, 'a thicker plate');
	const cold = shapeFor(shape(2), fit(950));
	assert.ok(cold.ok);
	assert.deepEqual(
		cold.value.warnings.map((w) => [w.code, (w.values as { limit: number }).limit]),
		[['panelPulled', 3]]
	);
	const hot = shapeFor(shape(6), fit(950));
	assert.deepEqual(hot.ok && hot.value.warnings, []);
	const wrong = shapeFor({ ...shape(5), values: { ease: 900, thickness: 6, gives: 5 } }, fit(950));
	assert.ok(!wrong.ok && wrong.problem.path[0] === 'ease');
});

test('a component begins with the panels of its name, else of where it is worn', () => {
	assert.equal(presetFor({ name: 'Left pauldron', zones: [] }), 'pauldron');
	assert.equal(presetFor({ name: 'Back plate', zones: ['chest'] }), 'backPlate');
	assert.equal(presetFor({ name: 'Quilted jacket', zones: [] }), 'bodicePrincess');
	assert.equal(presetFor({ name: 'Shell', zones: ['arm-left'] as never }), 'sleeve');
	assert.equal(presetFor({ name: 'Thing', zones: [] }), 'breastplateTwo');
});
