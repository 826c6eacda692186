import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { test } from 'node:test';
import { runJob } from '../../src/core/formats/jobs.ts';
import { SHAPER_KEYS } from '../../src/core/engines/shapers/shapers.ts';
import { SLANT_RIM, SLANT_SHEET } from '../support/camera.ts';

const EXAMPLE = {
	kind: 'schedule',
	seed: 1,
	seconds: 2,
	runs: 5000,
	split: 'windows',
	start: '2031-04-28T18:00',
	deadline: '2031-05-16T09:00',
	makers: [
		{
			id: 'me',
			windows: [
				{ days: [1, 2, 3, 4], from: '18:00', to: '21:00' },
				{ days: [6, 7], from: '10:00', to: '18:00' }
			],
			off: ['2031-05-03']
		}
	],
	places: [
		{ id: 'spray', capacity: 1, windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from: '09:00', to: '18:00' }] }
	],
	steps: [
		{ id: 'cut', minutes: [40, 60, 110], wait: 0, after: [] },
		{ id: 'prime1', minutes: 15, wait: 30, after: ['cut'], place: 'spray', oneSitting: true },
		{
			id: 'prime2',
			minutes: 15,
			wait: 240,
			after: [{ id: 'prime1', within: 60, orAfter: 2880 }],
			place: 'spray',
			oneSitting: true
		},
		{ id: 'ribbon', minutes: 0, wait: 0, notBefore: '2031-05-06T12:00', after: [] }
	]
};

const job = (input: unknown) =>
	spawnSync(process.execPath, ['--import', 'tsx', 'scripts/job.ts', '-'], {
		input: typeof input === 'string' ? input : JSON.stringify(input),
		encoding: 'utf8'
	});

/** The same without a process of its own. */
const result = (input: unknown) => {
	const done = runJob(input, () => 0);
	assert.ok(done.ok, done.ok ? '' : done.words);
	return JSON.parse(JSON.stringify(done.result));
};
const refused = (input: unknown, words: RegExp) => {
	const done = runJob(input, () => 0);
	assert.ok(!done.ok, JSON.stringify(input));
	assert.equal(done.words.includes('\n'), false);
	assert.match(done.words, words);
};

test('the documented example gives the documented result', () => {
	const { status, stdout, stderr } = job(EXAMPLE);
	assert.equal(status, 0, stderr);
	const result = JSON.parse(stdout);
	assert.equal(result.finish, '2031-05-06T12:00');
	assert.equal(result.lowerBound, '2031-05-06T12:00');
	assert.equal(result.stoppedBy, 'proved');
	// The ribbon comes last whatever happens, ten days before the deadline.
	assert.deepEqual(result.odds, {
		byDeadline: 1,
		p50: '2031-05-06T12:00',
		p80: '2031-05-06T12:00',
		p95: '2031-05-06T12:00',
		runs: 5000,
		wet: 0,
		deciding: [{ id: 'ribbon', share: 1 }]
	});
	const prime2 = result.steps.find((s: { id: string }) => s.id === 'prime2');
	// The spray place shuts at 18:00 and 3 May is off: Sunday it is.
	assert.deepEqual(prime2.blocks, [['2031-05-04T10:45', '2031-05-04T11:00']]);
	assert.equal(prime2.ready, '2031-05-04T15:00');
});

test('bad input: one line that names the field, exit 2, nothing on standard output', () => {
	for (const [input, words] of [
		['{', /is not JSON/],
		[{ kind: 'sculpt' }, /^kind: "sculpt" is not known/],
		[{ ...EXAMPLE, start: '2031-02-30T18:00' }, /^start: .*date and time that exist/]
	] as const) {
		const { status, stdout, stderr } = job(input);
		assert.equal(status, 2, stderr);
		assert.equal(stdout, '');
		assert.equal(stderr.trim().split('\n').length, 1, stderr);
		assert.match(stderr, words);
	}
});

const PACKS = {
	kind: 'packs',
	seconds: 2,
	start: '2031-04-28',
	aim: 'cheapest',
	needs: [{ id: 'foam6', amount: 3.2, by: '2031-05-07' }],
	offers: [
		{
			id: 'o1',
			need: 'foam6',
			supplier: 's1',
			amount: 1,
			priceMinor: 1290,
			breaks: [{ from: 5, priceMinor: 1150 }],
			leadDays: 4,
			max: 10
		}
	],
	suppliers: [
		{
			id: 's1',
			shippingMinor: 590,
			freeFromMinor: 5000,
			workingDays: [1, 2, 3, 4, 5],
			closed: ['2031-05-01']
		}
	]
};

test('packs: the documented example gives the documented result, through the command line', () => {
	const { status, stdout, stderr } = job(PACKS);
	assert.equal(status, 0, stderr);
	assert.deepEqual(JSON.parse(stdout), {
		buy: [{ offer: 'o1', packs: 4, costMinor: 5160, arrives: '2031-05-05' }],
		goodsMinor: 5160,
		shippingMinor: 0,
		totalMinor: 5160,
		parcels: 1,
		over: [{ need: 'foam6', amount: 0.8 }],
		short: [],
		proved: true
	});
	// Two days sooner nothing is there; it is told when it would be.
	const late = job({ ...PACKS, needs: [{ ...PACKS.needs[0], by: '2031-05-03' }] });
	assert.deepEqual(JSON.parse(late.stdout).short, [{ need: 'foam6', why: 'tooLate', soonest: '2031-05-05' }]);
});

test('packs refuses what cannot be, naming the field', () => {
	const offer = (change: object) => ({ ...PACKS, offers: [{ ...PACKS.offers[0], ...change }] });
	for (const [input, words] of [
		[offer({ amount: 0 }), /^offers\.0\.amount: /],
		[offer({ max: -1 }), /^offers\.0\.max: /],
		[offer({ priceMinor: 12.905 }), /^offers\.0\.priceMinor: /],
		[offer({ leadDays: 9999 }), /^offers\.0\.leadDays: /],
		[offer({ supplier: 's9' }), /^offers\.0\.supplier: “s9” is not there/],
		[
			offer({
				breaks: [
					{ from: 5, priceMinor: 1 },
					{ from: 5, priceMinor: 2 }
				]
			}),
			/^offers\.0\.breaks: Two breaks/
		],
		[{ ...PACKS, offers: [PACKS.offers[0], PACKS.offers[0]] }, /^offers: Two offers have the same id/],
		[{ ...PACKS, start: '2031-02-30' }, /^start: .*date that exists/]
	] as const)
		refused(input, words);
});

test('schedule refuses what cannot be, naming the field', () => {
	for (const [input, words] of [
		[{ ...EXAMPLE, steps: [{ id: 'a', minutes: [3, 2, 1] }] }, /^steps\.0\.minutes: Minutes must run/],
		[
			{
				...EXAMPLE,
				steps: [
					{ id: 'a', minutes: 1 },
					{ id: 'a', minutes: 2 }
				]
			},
			/^steps: Two steps have the same id/
		],
		[
			{ ...EXAMPLE, makers: [{ id: 'me', windows: [{ days: [8], from: '18:00', to: '19:00' }] }] },
			/^makers\.0\.windows\.0\.days\.0/
		],
		[{ ...EXAMPLE, surprise: 1 }, /surprise/]
	] as const)
		refused(input, words);
});

test('circles come back as reasons with the steps named', () => {
	const { impossible } = result({
		...EXAMPLE,
		steps: [
			{ id: 'a', minutes: 5, after: ['b'] },
			{ id: 'b', minutes: 5, after: ['a'] }
		]
	});
	assert.match(impossible[0].reason, /in a circle: . → . → ./);
});

const PLANE = {
	kind: 'plane',
	picture: { width: 4000, height: 3000 },
	reference: SLANT_SHEET,
	precision: { click: 2, reference: 0.5 },
	measures: [
		{
			id: 'strap',
			kind: 'length',
			points: [
				[1529, 1122],
				[2289, 1182]
			]
		},
		{
			id: 'disc',
			kind: 'circle',
			points: SLANT_RIM
		},
		{
			id: 'astray',
			kind: 'length',
			points: [
				[1, 1],
				[4001, 1]
			]
		}
	]
};
const GOES_ON = {
	kind: 'goes-on',
	passage: 'cuff',
	sides: ['right'],
	closed: 190,
	stretch: 10,
	beneath: [{ name: 'undersuit sleeve', thickness: 1.2, at: ['wristGirth', 'forearmGirth'] }],
	wearers: [
		{ name: 'first', measures: { thumbKnuckleGirth: 236, wristGirth: 158 } },
		{ name: 'second', measures: { thumbKnuckleGirth: { right: 218 }, wristGirth: { right: 149 } } }
	]
};

test('plane: lengths on a slant sheet of A4, seen by a known camera (250 and 90 mm), a click off the picture', () => {
	const { plane, measures } = result(PLANE);
	assert.ok(Math.abs(plane.tilt - 35) < 0.2);
	const [strap, disc, astray] = measures;
	assert.ok(Math.abs(strap.value - 250) < strap.plusMinus && strap.plusMinus < 4, JSON.stringify(strap));
	assert.ok(Math.abs(disc.value - 90) < disc.plusMinus && disc.plusMinus < 2, JSON.stringify(disc));
	assert.equal(astray.value, null);
	assert.equal(astray.code, 'offPicture');
});

test('goes-on: what is missing for each wearer, the cures, and the range of the closure', () => {
	const { passes, closure, wearers } = result(GOES_ON);
	assert.equal(passes, false);
	const [first, second] = wearers.map((w: { sides: unknown[] }) => w.sides[0]);
	// 190 × 1.1 = 209 round knuckles of 236: 27 mm of girth, a slit half as long, or (236 ÷ 190 − 1) of stretch.
	assert.equal(first.reach, 209);
	assert.deepEqual(first.cures, {
		opening: { more: 27, slit: 13.5 },
		stretch: { percent: 24.2, would: true },
		split: { would: true }
	});
	assert.equal(second.missing, 9);
	// 2π × 1.2 mm over the wrist.
	assert.equal(first.seat.girth, 165.5);
	assert.deepEqual(closure, { from: 166.5, to: 175.5 });
});

test('plane and goes-on refuse what cannot be, naming the field', () => {
	const rectangle = (points: number[][]) => ({ ...PLANE, reference: { ...SLANT_SHEET, points } });
	const [a, b, c, d] = SLANT_SHEET.points;
	for (const [input, words] of [
		[rectangle([a, c, b, d]), /^reference\.points: The corners cross over/],
		[rectangle([a, b, c]), /^reference\.points/],
		[{ ...PLANE, reference: { ...SLANT_SHEET, width: 0 } }, /^reference\.width: Must be more than zero/],
		[{ ...PLANE, measures: [{ id: 'x', kind: 'weight', points: [] }] }, /^measures\.0\.kind/],
		[{ ...GOES_ON, stretch: 201 }, /^stretch: At most 200 %/],
		[{ ...GOES_ON, closed: 0 }, /^closed: Must be more than zero/],
		[
			{ ...GOES_ON, wearers: [{ name: 'x', measures: { wristGirth: 5000 } }] },
			/^wearers\.0\.measures\.wristGirth: .*cannot be 5000 mm/
		],
		[{ ...GOES_ON, wearers: [] }, /^wearers/]
	] as const)
		refused(input, words);
});

/** r 30, h 40 gives L 50 and 216°: the handbook's cone. Its side leans by the angle of 3 and 4: 36.87°. */
test('shape: pieces with their figures; every shaper is reachable; bad values are named', () => {
	const { pieces, dimensions } = result({
		kind: 'shape',
		shaper: 'cone',
		values: { girth: 188.4956, height: 40 }
	});
	assert.deepEqual(
		dimensions.map((d: { value: number }) => d.value),
		[50, 216, 36.87, 188.5]
	);
	assert.ok(Math.abs(pieces[0].area - Math.PI * 30 * 50) < 0.1);
	assert.ok(pieces[0].outline.length > 20);
	for (const shaper of SHAPER_KEYS) assert.ok(result({ kind: 'shape', shaper }).pieces.length > 0, shaper);
	refused({ kind: 'shape', shaper: 'sphere' }, /^shaper: /);
	refused({ kind: 'shape', shaper: 'cone', values: { girth: -1 } }, /^values\.girth: Too small: at least 5/);
	refused(
		{ kind: 'shape', shaper: 'cone', values: { radius: 30 } },
		/^values\.radius: Not a value of this shaper; known: girth/
	);
	refused(
		{ kind: 'shape', shaper: 'pleats', values: { depth: 40 } },
		/^values\.depth: The fold does not fit: 40 mm deep/
	);
});

test('unfold: a corner of a cube by hand, and what cannot be unfolded', () => {
	const corner = {
		kind: 'unfold',
		points: [
			[0, 0, 0],
			[50, 0, 0],
			[0, 50, 0],
			[0, 0, 50]
		],
		faces: [
			[0, 2, 1],
			[0, 1, 3],
			[1, 2, 3],
			[0, 3, 2]
		]
	};
	const { pieces, seams, volume, area, closed } = result(corner);
	assert.equal(closed, true);
	assert.equal(volume, Math.round((50 ** 3 / 6) * 100) / 100);
	// Three right triangles and one of side 50·√2.
	assert.ok(Math.abs(area - (3 * 1250 + (Math.sqrt(3) / 4) * 5000)) < 0.01);
	assert.equal(pieces.length, 1);
	assert.equal(pieces[0].folds.length, 3);
	assert.equal(seams.length, 3);
	for (const s of seams) assert.ok(s.inside === 90 || Math.abs(s.inside - 54.74) < 0.01, s.inside);
	refused({ ...corner, faces: [[0, 1, 9]] }, /^faces\.0: Names a point that is not there/);
	refused({ ...corner, points: corner.points.map(() => [1, 1, 1]) }, /There are no faces in it/);
	refused({ ...corner, most: -1 }, /^most: /);
});
