import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { test } from 'node:test';

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

test('the documented example gives the documented result', () => {
	const { status, stdout, stderr } = job(EXAMPLE);
	assert.equal(status, 0, stderr);
	const result = JSON.parse(stdout);
	assert.equal(result.finish, '2031-05-06T12:00');
	assert.equal(result.lowerBound, '2031-05-06T12:00');
	assert.equal(result.stoppedBy, 'proved');
	assert.equal(result.odds, null);
	const prime2 = result.steps.find((s: { id: string }) => s.id === 'prime2');
	// The spray place shuts at 18:00 and 3 May is off: Sunday it is.
	assert.deepEqual(prime2.blocks, [['2031-05-04T10:45', '2031-05-04T11:00']]);
	assert.equal(prime2.ready, '2031-05-04T15:00');
});

test('bad input: one line that names the field, exit 2, nothing on standard output', () => {
	for (const [input, words] of [
		['{', /is not JSON/],
		[{ kind: 'shape' }, /^kind: "shape" is not known/],
		[{ ...EXAMPLE, start: '2031-02-30T18:00' }, /^start: .*date and time that exist/],
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
	] as const) {
		const { status, stdout, stderr } = job(input);
		assert.equal(status, 2, stderr);
		assert.equal(stdout, '');
		assert.equal(stderr.trim().split('\n').length, 1, stderr);
		assert.match(stderr, words);
	}
});

test('circles come back as reasons with the steps named', () => {
	const { stdout } = job({
		...EXAMPLE,
		steps: [
			{ id: 'a', minutes: 5, after: ['b'] },
			{ id: 'b', minutes: 5, after: ['a'] }
		]
	});
	assert.match(JSON.parse(stdout).impossible[0].reason, /in a circle: . → . → ./);
});
