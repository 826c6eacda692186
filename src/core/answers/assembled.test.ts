import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import type { BodyMeasure } from '../facts/bodyMeasure.ts';
import type { Component } from '../facts/component.ts';
import type { MeasureRecord } from '../facts/measureRecord.ts';
import type { Callout } from '../facts/picture.ts';
import type { StoredShape } from '../facts/shape.ts';
import { covered } from '../engines/assembly/outline.ts';
import { roomOver, sought } from '../engines/assembly/room.ts';
import { type FormMesh, mapped, turnedMesh } from '../engines/pattern/form.ts';
import { driversOf } from '../engines/pattern/drivers.ts';
import { polygon, signedArea } from '../engines/pattern/outline.ts';
import { runShaper } from '../engines/pattern/shaper.ts';
import { SHAPER_KEYS, SHAPERS, type ShaperKey } from '../engines/shapers/shapers.ts';
import type { Point, Point3 } from '../units/point.ts';
import { cross, dot, norm, sub } from '../units/vec.ts';
import { assembledSvg } from '../formats/assembledSvg.ts';
import { againstPicture, outlinesOf } from './againstPicture.ts';
import { assembledOf, movedTo, placeWords, type Assembled } from './assembled.ts';
import { roomsOf } from './rooms.ts';

const near = (a: number, b: number, by: number, why = '') =>
	assert.ok(Math.abs(a - b) <= by, `${a}, not ${b} ± ${by} ${why}`);
const area = ({ vertices, faces }: FormMesh) =>
	faces.reduce((sum, [a, b, c]) => sum + norm(cross(sub(vertices[b]!, vertices[a]!), sub(vertices[c]!, vertices[a]!))) / 2, 0); // prettier-ignore

const shape = (componentId: number, shaper: ShaperKey, values: Record<string, number>, more: Partial<StoredShape> = {}): StoredShape => ({
	...make.flatPanel(componentId * 10, componentId, 0),
	shaper,
	name: '',
	values: { ...Object.fromEntries(Object.entries(SHAPERS[shaper].params).map(([k, p]) => [k, p.value])), ...values },
	...more
}); // prettier-ignore
function fitOf(
	shapes: StoredShape[],
	measures: Partial<Record<string, number>> = { stature: 1680 }
): MeasureRecord {
	const taken = Object.entries(measures).map(([key, mm], id): BodyMeasure => {
		const [measure, side = 'none'] = key.split(' ');
		return { id, wearerId: 1, measure, side, over: 'skin', mm, takenOn: 1, note: '', version: 1 } as unknown as BodyMeasure;
	}); // prettier-ignore
	return {
		...make.NO_FIT,
		wearers: [{ id: 1, name: 'Ona', note: '', sections: {}, version: 1, measures: taken }],
		worn: [{ id: 1, wearerId: 1, builtOn: null, fittedAt: null, version: 1 }],
		shapes
	} as MeasureRecord;
}
const assembled = (
	components: Component[],
	shapes: StoredShape[],
	measures?: Record<string, number>
): Assembled => assembledOf(components, fitOf(shapes, measures), []);

const formOf = (key: ShaperKey, values: Record<string, number> = {}) => {
	const done = runShaper(SHAPERS[key], values);
	assert.ok(done.ok);
	return { form: done.value.form, pieces: done.value.pieces };
};

test('what is laid flat has the area of what is assembled: bands, cones, tubes, plates, boxes, ridges', () => {
	// A surface that is only bent keeps its area: that of the middle of its thickness.
	for (const [key, values, by] of [
		['taperedBand', { upper: 300, lower: 220, height: 180, thickness: 6, panels: 2 }, 0.004],
		['ovalBand', { thickness: 6 }, 0.004],
		['cone', { girth: 300, height: 200, panels: 3, thickness: 4 }, 0.004],
		['tubeWrap', { girth: 200, length: 150, thickness: 5 }, 0.004],
		['ridge', {}, 0.001],
		['horn', { bend: 0 }, 0.004],
		// Rows straight up between its curved edges.
		['breastplate', { thickness: 6 }, 0.02]
	] as [ShaperKey, Record<string, number>, number][]) {
		const { form, pieces } = formOf(key, values);
		const flat = driversOf(pieces).area;
		near(area(form!.mesh) / flat, 1, by, key);
	}
	// Gores are narrower than the ball between their seams; a dome of R has 2πR² all the same.
	const dome = formOf('domeGores', { girth: 620, thickness: 6, gores: 6, reach: 90 }).form!;
	const radius = (620 + 6 * Math.PI) / 2 / Math.PI;
	near(area(dome.mesh) / (2 * Math.PI * radius ** 2), 1, 0.004);
	// A cap: 2πR·depth, R = (a² + d²) / 2d, on a rim of 250 and 40 deep.
	const cap = formOf('shieldDish', { rim: 500, depth: 40, thickness: 0 }).form!;
	near(area(cap.mesh) / (2 * Math.PI * ((250 ** 2 + 40 ** 2) / 80) * 40), 1, 0.004);
});

test('every form is seen from without', () => {
	let known = 0;
	for (const key of SHAPER_KEYS) {
		const { form } = formOf(key);
		if (!form) continue;
		known++;
		const { vertices, faces } = form.mesh;
		let outward = 0;
		for (const f of faces) {
			const [a, b, c] = f.map((v) => vertices[v]!) as [Point3, Point3, Point3];
			const normal = cross(sub(b, a), sub(c, a));
			const middle = [0, 1, 2].map((k) => (a[k]! + b[k]! + c[k]!) / 3) as [number, number, number];
			// Out of the axis; what lies on something also up.
			outward += Math.sign(dot(normal, form.way === 'round' ? [middle[0], middle[1], 0] : [middle[0], middle[1], key === 'ridge' ? 1000 : 0]));
		} // prettier-ignore
		assert.ok(outward > 0, `${key}: ${outward} of ${faces.length}`);
	}
	assert.ok(known >= 13, `${known} shapers know their form`);
});

test('two walls: room, touching, one in the other, all beneath, and nothing where the lower one ends', () => {
	const tube = (radius: number, from = 0, to = 100) => turnedMesh([[radius, from], [radius, to]], 1, 360); // prettier-ignore
	const over = (radius: number, walls: number, move = 0) =>
		roomOver(mapped(tube(radius, 20, 80), ([x, y, z]) => [x + move, y, z]).vertices, sought(tube(50)), [
			walls,
			walls
		]);
	near(over(60, 4)!.mm, 6, 0.02);
	assert.equal(over(60, 4)!.lies, 'over');
	// 10 between the middles, walls of 12 together.
	near(over(60, 12)!.mm, -2, 0.02);
	assert.equal(over(60, 12)!.lies, 'into');
	// Moved aside by 13: 3 through the middle, and half of both walls.
	near(over(60, 4, 13)!.mm, -7, 0.05);
	assert.equal(over(40, 4)!.lies, 'within');
	near(over(40, 4)!.mm, 6, 0.05);
	assert.equal(roomOver(tube(60, 120, 160).vertices, sought(tube(50)), [4, 4]), null);
	assert.equal(roomOver(tube(140, 20, 80).vertices, sought(tube(50)), [4, 4]), null, '90 off is not over it');
});

test('worked by hand: a band of 300 on an elbow of 260 has 6.4 mm all round, and keeps its girth', () => {
	const bracer = make.component(2, { name: 'Bracer', side: 'left', layer: 2, zones: ['forearm-left'] });
	const place = { limb: 'arm', way: 'round', level: 2, turn: 0, out: 0, tip: 0, spin: 0 } as const;
	const band = shape(
		2,
		'taperedBand',
		{ upper: 300, lower: 300, height: 20, thickness: 6 },
		{ placed: place }
	);
	// Every level of the arm as thick as the elbow.
	const all = ['upperArmGirth', 'elbowGirth', 'forearmGirth'].map((m) => [`${m} left`, 260]);
	const { things } = assembled([bracer], [band], { stature: 1680, ...Object.fromEntries(all) });
	assert.equal(things.length, 1);
	const [thing] = things;
	assert.equal(thing!.side, 'left');
	// The lower row of 48 chords: C + π·t = 318.85.
	const row = thing!.mesh.vertices.slice(0, 48);
	const round = row.reduce((sum, p, i) => sum + norm(sub(row[(i + 1) % 48]!, p)), 0);
	near(round, 300 + 6 * Math.PI, 0.5);
	const [room] = roomsOf({ things });
	// (300 − 260) / 2π = 6.37; upper arm and forearm are a little more oval than the elbow.
	assert.equal(room!.lower, null);
	assert.equal(room!.verdict, 'clear');
	near(room!.room.mm, 40 / 2 / Math.PI, 0.6);
	// Moved, it stands as it would had it been kept there.
	const measures = { stature: 1680, ...Object.fromEntries(all) };
	const there = { ...place, level: 2.5, out: 12, tip: 10 };
	const moved = movedTo(assembled([bracer], [band], measures), band.id, there).things[0]!;
	assert.deepEqual(moved.mesh, assembled([bracer], [{ ...band, placed: there }], measures).things[0]!.mesh);
	assert.equal(placeWords(moved), 'Round the arm: between elbow and forearm, moved off it.');
	// Tighter by 100: it cannot go round what is there.
	const tight = assembled([bracer], [{ ...band, values: { ...band.values, upper: 200, lower: 200 } }], { stature: 1680, ...Object.fromEntries(all) }); // prettier-ignore
	const [into] = roomsOf(tight);
	assert.equal(into!.verdict, 'into');
	near(into!.room.mm, -60 / 2 / Math.PI, 1.2);
});

test('a pair stands on both sides, one the mirror of the other, each component at its zone', () => {
	const pauldrons = make.component(2, { name: 'Pauldrons', side: 'pair', layer: 4, zones: ['shoulder-left', 'shoulder-right'] }); // prettier-ignore
	const back = make.component(3, { name: 'Pack', layer: 3, zones: ['back'] });
	const horns = make.component(4, { name: 'Horns', side: 'pair', layer: 5, zones: ['head'] });
	const { things, notShown } = assembled(
		[
			pauldrons,
			back,
			horns,
			make.component(5, { name: 'Sword' }),
			make.component(6, { name: 'Staff', zones: [] })
		],
		[shape(2, 'pauldron', {}), shape(3, 'plateBox', {}), shape(4, 'horn', {}), shape(6, 'tubeWrap', {})]
	);
	assert.deepEqual(
		things.map((t) => [t.name, t.side]),
		[['Pauldrons', 'left'], ['Pauldrons', 'right'], ['Pack', null], ['Horns', 'left'], ['Horns', 'right']] // prettier-ignore
	);
	assert.deepEqual(
		notShown.map((n) => [n.component.name, n.because]),
		[['Sword', 'noShape'], ['Staff', 'noZone']] // prettier-ignore
	);
	for (const [l, r] of [
		[0, 1],
		[3, 4]
	] as const)
		// prettier-ignore
		things[l]!.mesh.vertices.forEach((p, i) => {
			const q = things[r]!.mesh.vertices[i]!;
			assert.ok(norm(sub(p, [-q[0], q[1], q[2]])) < 1e-6);
		});
	const mean = (i: number, axis: 0 | 1 | 2) =>
		things[i]!.mesh.vertices.reduce((sum, p) => sum + p[axis], 0) / things[i]!.mesh.vertices.length;
	assert.ok(mean(0, 0) > 100, 'the left pauldron on the wearer’s left');
	assert.ok(mean(2, 2) < -100, 'the pack behind');
	assert.ok(mean(3, 1) > 1600 && mean(3, 0) > 50, 'a horn at the left of the head');
	// Faces of the mirrored one are still seen from without: the same volume below each, of one sign.
	const volume = ({ vertices, faces }: FormMesh) =>
		faces.reduce((sum, [a, b, c]) => sum + dot(vertices[a]!, cross(vertices[b]!, vertices[c]!)) / 6, 0);
	near(volume(things[0]!.mesh) / volume(things[1]!.mesh), 1, 1e-6);
});

test('worked by hand: a collar 12 % larger than in the picture is told, whatever the picture’s figure measures', () => {
	const collar = make.component(2, { name: 'Collar', layer: 3, zones: ['neck'] });
	// Round, 200 mm across and 224 high: seen from the front a rectangle.
	const band = shape(2, 'ovalBand', { upper: 200 * Math.PI, lower: 200 * Math.PI, upperRatio: 1, lowerRatio: 1, height: 224, thickness: 0 }); // prettier-ignore
	const its = assembled([collar], [band], { stature: 1680 });
	const [outline] = covered([its.things[0]!.mesh], 'front');
	near(Math.abs(signedArea(polygon(outline!))), 200 * 224, 1);
	for (const figure of [1680, 2100]) {
		const picture = make.picture(1, {
			width: 1000,
			height: 1200,
			angle: 'front',
			taken: 'flat',
			scale: { kind: 'height', points: [[500, 100], [500, 1100]], mm: figure }
		}); // prettier-ignore
		// 1,000 px stand for the wearer’s 1,680 mm, whatever the figure is said to measure.
		const [w, h] = [200 / 1.12 / 1.68 / 2, 224 / 1.12 / 1.68 / 2];
		const points: Point[] = [[500 - w, 300 - h], [500 + w, 300 - h], [500 + w, 300 + h], [500 - w, 300 + h]]; // prettier-ignore
		const callout: Callout = { id: 1, pictureId: 1, componentId: 2, label: '', shape: 'outline', side: 'none', points, version: 1 }; // prettier-ignore
		const done = againstPicture(picture, [callout], [], its, 1680)!;
		assert.equal(done.behind.by, 'height');
		const [found] = done.found;
		for (const share of [found!.larger, found!.wider, found!.higher]) near(share, 0.12, 0.001);
		near(found!.picture.wide, 200 / 1.12, 0.1);
		// The crown of the figure on that of the wearer, its middle line in the middle.
		const [x, y] = done.behind.at([500, 100]);
		near(x, 0, 1e-6);
		near(y, 1680, 1e-6);
		near(done.behind.at([500, 1100])[1], 0, 1e-6);
	}
	assert.equal(
		againstPicture(make.picture(1, { scale: null }), [], [], its, 1680),
		null,
		'a picture without a scale'
	);
});

test('layers that run into each other are found between components, not within one', () => {
	const at = { limb: 'leg', way: 'round', level: 2, turn: 0, out: 0, tip: 0, spin: 0 } as const;
	const greave = make.component(2, { name: 'Greave', side: 'left', layer: 2, zones: ['shin-left'] });
	const boot = make.component(3, { name: 'Boot', side: 'left', layer: 3, zones: ['shin-left'] });
	const badge = make.component(4, {
		name: 'Trim',
		side: 'left',
		layer: 3,
		zones: ['shin-left'],
		parentId: 2
	});
	const tube = (id: number, girth: number, thickness: number) =>
		shape(id, 'taperedBand', { upper: girth, lower: girth, height: 100, thickness }, { placed: at });
	const rooms = (girth: number) =>
		roomsOf(assembled([greave, boot, badge], [tube(2, 500, 6), tube(3, girth, 6), tube(4, 500, 6)])).filter((r) => r.lower); // prettier-ignore
	const of = (girth: number) =>
		rooms(girth).find((r) => r.upper.name === 'Boot' && r.lower?.name === 'Greave')!;
	// 600 over 500 + 2π·6: (600 − 537.7) / 2π = 9.9 mm between the walls.
	near(of(600).room.mm, (600 - 500 - 12 * Math.PI) / 2 / Math.PI, 0.4);
	assert.equal(of(600).verdict, 'clear');
	near(of(520).room.mm, (520 - 500 - 12 * Math.PI) / 2 / Math.PI, 0.4);
	assert.equal(of(520).verdict, 'into');
	assert.equal(of(400).verdict, 'within', 'worn over it, and smaller');
	assert.ok(!rooms(600).some((r) => r.upper.name === 'Trim' && r.lower?.name === 'Greave'), 'a part of it');
});

test('the body hides what is behind it: a pack from the front, not from the back or the left', () => {
	const pack = make.component(2, { name: 'Pack', zones: ['back'] });
	const its = assembled([pack], [shape(2, 'plateBox', {})]);
	assert.deepEqual(
		(['front', 'left', 'back', 'right'] as const).map((from) => outlinesOf(its.things, from)[0]!.hidden),
		[true, false, false, false]
	);
	const [front, , back] = assembledSvg(its).split('<g ').slice(1);
	// Painted before the body, or after it.
	assert.ok(front!.indexOf('#e9cf93') < front!.indexOf('#fff'));
	assert.ok(back!.indexOf('#e9cf93') > back!.indexOf('#fff'));
});
