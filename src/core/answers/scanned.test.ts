import assert from 'node:assert/strict';
import { test } from 'node:test';
import { readMesh } from '../engines/mesh/readMesh.ts';
import { soundMesh, type Mesh } from '../engines/mesh/mesh.ts';
import { standOf, profile } from '../engines/stand/form.ts';
import { sectionAt, tapedAt } from '../engines/stand/scan.ts';
import { limbPoint, standSurface } from '../engines/stand/surface.ts';
import { meshStl } from '../formats/meshFile.ts';
import { SCAN_LEVELS, stoodUp, takenAt } from './scanned.ts';

const near = (a: number, b: number, by: number, why = '') =>
	assert.ok(Math.abs(a - b) <= by, `${a}, not ${b} ± ${by} ${why}`);

/** A tube of ovals round an axis that leans, as a scan would have it. */
function tube(wide: number, deep: number, lean: number): Mesh {
	const [N, ROWS] = [120, 41];
	const points: number[] = [];
	const triangles: number[] = [];
	const [c, s] = [Math.cos(lean), Math.sin(lean)];
	for (let r = 0; r < ROWS; r++)
		for (let i = 0; i < N; i++) {
			const a = (2 * Math.PI * i) / N;
			const [x, y, z] = [wide * Math.cos(a), (r - 20) * 10, deep * Math.sin(a)];
			points.push(c * x - s * y, s * x + c * y, z);
		}
	for (let r = 0; r + 1 < ROWS; r++)
		for (let i = 0; i < N; i++) {
			const [a, b, d, e] = [r * N + i, r * N + ((i + 1) % N), (r + 1) * N + i, (r + 1) * N + ((i + 1) % N)];
			triangles.push(a, b, e, a, e, d);
		}
	return { points: new Float64Array(points), triangles: new Uint32Array(triangles) };
}
/** Ramanujan’s second approximation (1914) of the way round an ellipse. */
const ramanujan = (a: number, b: number) => {
	const h = ((a - b) / (a + b)) ** 2;
	return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
};

test('round an oval tube as Ramanujan has it; leaning, the tape slides to the shortest way', () => {
	const straight = tapedAt(tube(60, 40, 0), [60, 0.3, 0], 'level')!;
	near(straight.girth, ramanujan(60, 40), 0.2);
	near(straight.wide / straight.deep, 1.5, 0.002);
	assert.ok(straight.closed);
	const lean = (25 * Math.PI) / 180;
	const leaning = tube(60, 40, lean);
	const at: [number, number, number] = [60 * Math.cos(lean), 60 * Math.sin(lean) + 0.3, 0];
	// Level it is cut as an oval of 60 / cos 25°; slid it is as straight.
	near(tapedAt(leaning, at, 'level')!.girth, ramanujan(60 / Math.cos(lean), 40), 0.5);
	near(tapedAt(leaning, at, 'slides')!.girth, ramanujan(60, 40), 0.4);
	assert.equal(sectionAt(leaning, [0, 900, 0], [0, 1, 0]), null, 'above its end');
});

test('a tape goes over hollows, and round the part that was pressed', () => {
	// Two tubes side by side: only the one that was pressed; and half a tube is not closed.
	const one = tube(50, 50, 0);
	const n = one.points.length / 3;
	const two: Mesh = {
		points: Float64Array.from([...one.points, ...one.points.map((v, i) => (i % 3 === 0 ? v + 300 : v))]),
		triangles: Uint32Array.from([...one.triangles, ...one.triangles.map((i) => i + n)])
	};
	near(tapedAt(two, [350, 0.3, 0], 'level')!.girth, 2 * Math.PI * 50, 0.3);
	const half = { ...one, triangles: one.triangles.filter((_, i) => Math.floor(i / 6) % 120 < 60) };
	const open = tapedAt(half, [0, 0.3, 50], 'level')!;
	assert.equal(open.closed, false);
	near(open.girth, Math.PI * 50 + 100, 0.5, 'half round and straight across');
});

test('a form saved as STL in inches, lying and turned, and read as a scan gives back the measures that it was made from', () => {
	const measures: Record<string, number> = {
		'stature none': 1700, 'chestGirth none': 940, 'waistGirth none': 760, 'hipGirth none': 1000,
		'upperArmGirth left': 300, 'wristGirth right': 165, 'thighGirth left': 560, 'calfGirth left': 370, 'footGirth left': 240
	}; // prettier-ignore
	const stand = standOf((key, side) => measures[`${key} ${side}`] ?? null, (level) => (level === 'chest' ? 1.5 : null)); // prettier-ignore
	const { vertices, faces } = standSurface(stand, 2);
	// z up, turned by a quarter, in inches.
	const lying = { vertices: vertices.map(([x, y, z]): [number, number, number] => [z / 25.4, x / 25.4, y / 25.4]), faces }; // prettier-ignore
	const raw = readMesh(meshStl(lying, 'scan'));
	assert.ok(raw.ok);
	const sound = soundMesh(raw.value);
	assert.ok(sound.ok);
	const scan = stoodUp(sound.value.mesh, { mm: 25.4, up: 'z', quarters: 3 });
	const tall = Math.max(...scan.points.filter((_, i) => i % 3 === 1));
	near(tall, 1700, 1);
	const middle = [0, 2].map((k) => {
		const all = vertices.map((v) => v[k]!);
		return (Math.min(...all) + Math.max(...all)) / 2;
	});
	let compared = 0;
	for (const level of SCAN_LEVELS) {
		const mm = measures[level.key];
		if (mm === undefined || level.measure === 'headGirth') continue;
		const limb = stand.limbs.find((l) => (l.side === 'none' || l.side === level.side) && l.sections.some((s) => s.level.measure === level.measure))!; // prettier-ignore
		const section = limb.sections.find((s) => s.level.measure === level.measure)!;
		const out = { wide: profile(limb, 'wide'), deep: profile(limb, 'deep') };
		const [x, y, z] = limbPoint(limb, out, section.along, Math.PI / 2);
		const cut = tapedAt(scan, [x - middle[0]!, y, z - middle[1]!], level.tape)!;
		const taken = takenAt(level, cut, { measures: [] });
		// The scan’s tape lies level on a trunk; on a limb it slid to where it is shorter by a little.
		near(taken.girth, mm, 0.012 * mm, level.key);
		near(taken.breadthToDepth!, section.wide / section.deep, 0.06, level.key);
		compared++;
	}
	assert.equal(compared, 8);
});
