import assert from 'node:assert/strict';
import { test } from 'node:test';
import { blob, strays } from '$tests/support/outlines.ts';
import { blockSeen, matPhoto, type Layer } from '$tests/support/matPhoto.ts';
import { runJob } from '../../formats/jobs.ts';
import type { Point } from '../../units/point.ts';
import { circle, flatten, placedOutline } from '../pattern/outline.ts';
import type { Pixels } from '../plane/rectify.ts';
import { labOf, type Colour } from './colour.ts';
import { tracedOutlines, type Ground } from './ground.ts';
import { trace, type TraceOptions, type Traced } from './trace.ts';

const MM = 0.6;
const [WIDE, HIGH] = [400, 300];
const traced = (picture: Pixels, more: Partial<TraceOptions> = {}): Traced => {
	const work = trace(picture, { mmPerPx: MM, speck: 100, tolerance: 0.3, ...more });
	let turn = work.next();
	while (!turn.done) turn = work.next();
	assert.ok(turn.value.ok, JSON.stringify(turn.value));
	return turn.value.value;
};
const ringOf = (seed: number, x: number, y: number): Point[] =>
	flatten(placedOutline(blob(seed), { move: [x, y] }), 0.02).points.slice();
const round = (x: number, y: number, r: number): Point[] => flatten(circle([x, y], r), 0.02).points.slice();
const boxOf = (x: number, y: number, w: number, h: number): Point[] => [
	[x, y],
	[x + w, y],
	[x + w, y + h],
	[x, y + h]
];
/** The outline nearest to what was drawn: within half a millimetre, and one at the most; else a warning says why. */
function told(found: Traced, truth: readonly Point[], what: string, mayWarn = false): void {
	const best = found.pieces
		.map((p) => strays(flatten(p.outline, 0.05).points, truth))
		.reduce((a, b) => (b.rms < a.rms ? b : a));
	if (best.rms < 0.5 && best.most < 1) return;
	assert.ok(mayWarn && found.warnings.length > 0, `${what}: ${best.rms} mm, at most ${best.most}`);
}

test('L*a*b* of the corners of the colour cube, as tables give them', () => {
	// Values of the sRGB primaries under D65, from any table of colour: to two digits.
	for (const [rgb, lab] of [
		[
			[255, 255, 255],
			[100, 0, 0]
		],
		[
			[255, 0, 0],
			[53.24, 80.09, 67.2]
		],
		[
			[0, 255, 0],
			[87.73, -86.18, 83.18]
		],
		[
			[0, 0, 255],
			[32.3, 79.19, -107.86]
		],
		[
			[128, 128, 128],
			[53.59, 0, 0]
		]
	] as [Colour, Colour][])
		labOf(rgb).forEach((v, i) => assert.ok(Math.abs(v - lab[i]!) < 0.15, `${rgb}: ${v}, not ${lab[i]}`));
});

const GREEN: Colour = [58, 120, 84];
const MATS: Record<string, Colour> = {
	green: GREEN,
	blue: [52, 80, 140],
	grey: [120, 120, 122],
	pink: [214, 140, 160]
};
const FOAMS: Record<string, Colour> = {
	red: [176, 62, 58],
	yellow: [222, 190, 62],
	white: [235, 233, 228],
	violet: [96, 62, 130],
	orange: [214, 118, 46],
	black: [36, 36, 38]
};

const PAIRS = [
	['red', 'yellow'],
	['violet', 'orange'],
	['white', 'black']
] as const;

test('red foam on a green mat that is as bright: what brightness alone calls nothing', () => {
	// 0.299 · 176 + 0.587 · 62 + 0.114 · 58 = 95.6; of the mat 97.4.
	const truth = ringOf(4, 200, 150);
	told(
		traced(
			matPhoto([{ rings: [truth], colour: FOAMS.red! }], { wide: WIDE, high: HIGH, mmPerPx: MM, mat: GREEN })
		),
		truth,
		'red on green'
	);
});

test('foam of six colours on mats of four: outlines within half a millimetre, and one at the most', () => {
	for (const [matName, mat] of Object.entries(MATS))
		for (const [first, second] of PAIRS) {
			const [one, two] = [ringOf(5, 120, 160), round(300, 120, 55)];
			const found = traced(
				matPhoto(
					[
						{ rings: [one], colour: FOAMS[first]! },
						{ rings: [two, round(300, 120, 20)], colour: FOAMS[second]! }
					],
					{ wide: WIDE, high: HIGH, mmPerPx: MM, mat }
				)
			);
			assert.equal(found.pieces.length, 2, `${first} and ${second} on ${matName}`);
			told(found, one, `${first} on ${matName}`);
			told(found, two, `${second} on ${matName}, disc`);
			assert.equal(found.pieces.filter((p) => p.holes.length === 1).length, 1);
		}
});

/** A hard shadow beside a piece: the piece moved by 8 mm, beneath it. */
const shaded = (ring: readonly Point[], keeps: number, colour: Colour): Layer[] => [
	{ rings: [ring.map(([x, y]): Point => [x + 8, y - 6])], keeps },
	{ rings: [ring], colour }
];

test('hard shadows of 35 and 60 % are no piece where colour tells them; else it is said', () => {
	let warned = 0;
	for (const [keeps, mats] of [
		[0.65, ['green', 'grey']],
		[0.4, Object.keys(MATS)]
	] as const)
		for (const matName of mats)
			for (const pair of PAIRS) {
				const [one, two] = [ringOf(6, 110, 150), round(300, 150, 50)];
				const layers = [...shaded(one, keeps, FOAMS[pair[0]]!), ...shaded(two, keeps, FOAMS[pair[1]]!)];
				const found = traced(matPhoto(layers, { wide: WIDE, high: HIGH, mmPerPx: MM, mat: MATS[matName]! }));
				[one, two].forEach((truth, i) => {
					const what = `${pair[i]} on ${matName}, ${keeps}`;
					// Colour on a mat of another colour is found, and nothing has to be said.
					const plain = matName !== 'grey' && !['black', 'white'].includes(pair[i]!);
					told(found, truth, what, !plain);
				});
				if (found.warnings.length) warned++;
			}
	assert.ok(warned <= 9, `${warned} of 18 with a warning`);
	// Grey on grey, where a shadow looks like the piece: said.
	const grey = traced(
		matPhoto(shaded(ringOf(6, 200, 150), 0.4, [60, 60, 61]), {
			wide: WIDE,
			high: HIGH,
			mmPerPx: MM,
			mat: [150, 150, 152]
		})
	);
	assert.ok(grey.warnings.length > 0);
});

test('a paper label over the border is told; one on the face is not', () => {
	const foam = boxOf(80, 60, 220, 160);
	const label = (x: number): Layer => ({ rings: [boxOf(x, 110, 50, 30)], colour: [244, 243, 238] });
	const see = (layers: Layer[]) =>
		traced(matPhoto(layers, { wide: WIDE, high: HIGH, mmPerPx: MM, mat: GREEN })).warnings.map((w) => w.code);
	const its: Layer = { rings: [foam], colour: FOAMS.violet! };
	assert.deepEqual(see([its]), []);
	assert.deepEqual(see([its, label(160)]), []);
	assert.deepEqual(see([its, label(275)]), ['otherColourAtEdge']);
});

test('foam 2 to 20 mm high, seen from a camera that stands over a corner of the mat', () => {
	const camera = { foot: [60, 40] as Point, far: 700, top: FOAMS.orange!, side: [120, 64, 26] as Colour };
	for (const [tall, shapes] of [
		[2, [ringOf(7, 230, 160)]],
		[6, [boxOf(150, 90, 160, 120)]],
		[10, [ringOf(7, 230, 160), boxOf(150, 90, 160, 120)]],
		[20, [ringOf(7, 230, 160), boxOf(150, 90, 160, 120), round(220, 150, 70)]]
	] as const)
		for (const truth of shapes) {
			const picture = matPhoto(blockSeen(truth, tall, camera), {
				wide: WIDE,
				high: HIGH,
				mmPerPx: MM,
				mat: GREEN
			});
			const above = { foot: camera.foot, distance: camera.far, doubt: 0 };
			told(traced(picture, { high: tall, above }), truth, `${tall} mm`);
			if (tall === 20) {
				const flat = traced(picture);
				const off = strays(flatten(flat.pieces[0]!.outline).points, truth);
				assert.ok(off.most > 1, 'without its height it is drawn too large');
			}
		}
	// Straight beneath the camera the top hides all sides, and is 2 ÷ 70 larger.
	const middle = { ...camera, foot: [200, 150] as Point };
	const disc = round(200, 150, 70);
	const picture = matPhoto(blockSeen(disc, 20, middle), { wide: WIDE, high: HIGH, mmPerPx: MM, mat: GREEN });
	told(
		traced(picture, { high: 20, above: { foot: middle.foot, distance: 700, doubt: 0.1 } }),
		disc,
		'beneath'
	);
	// Its rim is seen at 70 × 700 ÷ 680 = 72.1 mm: with a distance known to a quarter, 72.1 × 20 ÷ 700 × 0.25 = 0.51 mm; to a tenth, 0.2.
	const codes = (doubt: number) =>
		traced(picture, { high: 20, above: { foot: middle.foot, distance: 700, doubt } }).warnings.map((w) => [
			w.code,
			w.values
		]);
	assert.deepEqual(codes(0.25), [['heightDoubtful', { mm: '0.5', percent: 25 }]]);
	assert.deepEqual(codes(0.1), []);
});

test('the job takes a picture in colour', () => {
	const truth = round(200, 150, 60);
	const { data, width, height } = matPhoto([{ rings: [truth], colour: FOAMS.red! }], {
		wide: WIDE,
		high: HIGH,
		mmPerPx: MM,
		mat: GREEN
	});
	const rgb = Buffer.from(data.filter((_, i) => i % 4 !== 3)).toString('base64');
	const corners = [
		[0, 0],
		[width, 0],
		[width, height],
		[0, height]
	];
	const job = {
		kind: 'trace',
		picture: { width, height, rgb },
		reference: { kind: 'rectangle', points: corners, width: WIDE, height: HIGH },
		mmPerPx: MM
	};
	const done = runJob(job, () => 0);
	assert.ok(done.ok, JSON.stringify(done));
	const { pieces, warnings } = done.result as { pieces: { area: number }[]; warnings: unknown[] };
	assert.equal(pieces.length, 1);
	assert.ok(Math.abs(pieces[0]!.area - Math.PI * 3600) < 40, String(pieces[0]!.area));
	assert.deepEqual(warnings, []);
	const neither = runJob({ ...job, picture: { width, height } }, () => 0);
	assert.ok(!neither.ok && /grey or rgb/.test(neither.words), JSON.stringify(neither));
});

test('a sheet among the pieces tells the mat; table, what ends with the picture and the sheet are ground', () => {
	// A mat on a table; the picture ends along a slant, where a third piece is cut off.
	const sheet = boxOf(60, 110, 105, 74);
	const [whole, cut] = [round(240, 150, 40), boxOf(300, 40, 60, 40)];
	const picture = matPhoto(
		[
			{ rings: [boxOf(30, 20, 350, 250)], colour: GREEN },
			{ rings: [sheet], colour: FOAMS.white! },
			{ rings: [whole], colour: FOAMS.orange! },
			{ rings: [cut], colour: FOAMS.orange! }
		],
		{ wide: WIDE, high: HIGH, mmPerPx: MM, mat: [139, 117, 88] }
	);
	for (let y = 0; y < picture.height; y++)
		for (let x = 0; x < picture.width; x++)
			if (x * MM > 330) picture.data.fill(0, 4 * (y * picture.width + x), 4 * (y * picture.width + x) + 4);
	const outlines = tracedOutlines(traced(picture, { known: sheet }), sheet);
	const of = (ground: Ground | null) => outlines.filter((o) => o.ground === ground);
	assert.deepEqual(outlines.map((o) => o.ground).toSorted(), ['cut', 'cut', 'known', null].toSorted());
	const off = strays(flatten(of(null)[0]!.piece.outline).points, whole);
	assert.ok(off.rms < 0.5 && off.most < 1, JSON.stringify(off));
});
