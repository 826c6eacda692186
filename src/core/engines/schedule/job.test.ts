import assert from 'node:assert/strict';
import { test } from 'node:test';
import { checkPlan } from './checkPlan.ts';
import { problemOfJob, runScheduleJob, scheduleJob } from './job.ts';
import { formatLocalTime } from '../../units/localTime.ts';
import { planByRule } from './plan.ts';

const JOB = {
	kind: 'schedule',
	start: '2031-04-28T18:00',
	makers: [{ id: 'me', windows: [{ days: [1, 2, 3, 4, 5], from: '18:00', to: '24:00' }] }],
	steps: [{ id: 'cut', minutes: 60 }]
};
const wrong = (change: object) => {
	const parsed = scheduleJob.safeParse({ ...JOB, ...change });
	return parsed.success
		? 'accepted'
		: `${parsed.error.issues[0]!.path.join('.')}: ${parsed.error.issues[0]!.message}`;
};

test('what may be left out has its usual value', () => {
	const job = scheduleJob.parse(JOB);
	assert.deepEqual(
		[job.seed, job.split, job.leastPart, job.deadline, job.places, job.shared, job.parcels],
		[1, 'windows', 30, null, [], 0, []]
	);
	assert.deepEqual(job.steps[0], {
		id: 'cut',
		minutes: [60, 60, 60],
		wait: 0,
		after: [],
		makers: 1,
		with: null,
		place: null,
		oneSitting: false,
		parcels: [],
		redo: 0
	});
});

test('every wrong field is named', () => {
	const steps = (step: object) => wrong({ steps: [{ id: 'cut', minutes: 60, ...step }] });
	assert.match(wrong({ kind: 'layout' }), /^kind/);
	assert.match(wrong({ start: '2031-04-31T10:00' }), /^start: “2031-04-31T10:00” is not a date and time/);
	assert.match(wrong({ start: 5 }), /^start/);
	assert.match(wrong({ deadline: 'soon' }), /^deadline/);
	assert.match(wrong({ split: 'never' }), /^split/);
	assert.match(wrong({ leastPart: 0 }), /^leastPart/);
	assert.match(wrong({ seconds: 0 }), /^seconds/);
	assert.match(
		wrong({ makers: [{ id: 'me', windows: [{ days: [1], from: '21:00', to: '18:00' }] }] }),
		/end after it begins/
	);
	assert.match(
		wrong({ makers: [{ id: 'me', windows: [{ days: [0], from: '18:00', to: '19:00' }] }] }),
		/days\.0/
	);
	assert.match(wrong({ makers: [{ id: 'me', windows: [], off: ['2031-02-29'] }] }), /^makers\.0\.off\.0/);
	assert.match(wrong({ makers: [...JOB.makers, ...JOB.makers] }), /^makers: Two makers have the same id/);
	assert.match(wrong({ places: [{ id: 'p', capacity: 0, windows: [] }] }), /capacity/);
	assert.match(wrong({ places: [{ id: 'p', windows: [], daylightOnly: true }] }), /^sun: .*sun\.latitude/);
	assert.match(wrong({ sun: { latitude: 80 } }), /^sun\.latitude/);
	assert.match(wrong({ wetShare: 1 }), /^wetShare/);
	assert.match(steps({ minutes: [1, 2] }), /^steps\.0\.minutes/);
	assert.match(steps({ minutes: [5, 4, 6] }), /good ≤ usual ≤ bad/);
	assert.match(steps({ minutes: -1 }), /^steps\.0\.minutes/);
	assert.match(steps({ minutes: 1.5 }), /^steps\.0\.minutes/);
	assert.match(steps({ wait: 'long' }), /^steps\.0\.wait/);
	assert.match(steps({ makers: 0 }), /^steps\.0\.makers/);
	assert.match(steps({ with: [] }), /^steps\.0\.with/);
	assert.match(steps({ after: [{ id: 'x', whithin: 5 }] }), /^steps\.0\.after\.0/);
	assert.match(steps({ notBefore: '' }), /^steps\.0\.notBefore/);
	assert.match(
		wrong({ steps: Array.from({ length: 5001 }, (_, i) => ({ id: `s${i}`, minutes: 1 })) }),
		/^steps/
	);
});

test('the same job gives the same plan, and the plan obeys every rule', () => {
	const job = scheduleJob.parse({
		...JOB,
		seconds: 60,
		runs: 100,
		deadline: '2031-05-30T09:00',
		makers: [
			...JOB.makers,
			{ id: 'two', windows: [{ days: [6], from: '10:00', to: '16:00' }], off: ['2031-05-03'] }
		],
		steps: Array.from({ length: 40 }, (_, i) => ({
			id: `s${i}`,
			minutes: [10 + i, 20 + i * 2, 50 + i * 3],
			wait: (i * 37) % 400,
			after: i > 2 ? [`s${i - 3}`, { id: `s${i - 2}`, within: 4000, orAfter: 5000 }] : [],
			makers: i % 11 === 10 ? 2 : 1,
			oneSitting: i % 4 === 0
		}))
	});
	const run = () => ({ ...runScheduleJob(job, () => 0), seconds: 0 });
	assert.deepEqual(run(), run());
	assert.deepEqual(checkPlan(problemOfJob(job), planByRule(problemOfJob(job))), []);
	assert.ok(run().finish! <= formatLocalTime(planByRule(problemOfJob(job)).finish!));
});

test('two makers who never meet: said so, in words', () => {
	const job = scheduleJob.parse({
		...JOB,
		makers: [
			{ id: 'early', windows: [{ days: [1], from: '08:00', to: '10:00' }] },
			{ id: 'late', windows: [{ days: [1], from: '18:00', to: '20:00' }] }
		],
		steps: [{ id: 'lift', minutes: 5, makers: 2 }]
	});
	const { impossible, finish, steps } = runScheduleJob(job, () => 0);
	assert.deepEqual([finish, steps], [null, []]);
	assert.deepEqual(impossible, [
		{ id: 'lift', code: 'neverTogether', reason: 'Needs 2 makers at once, and their windows never overlap.' }
	]);
});

test('a start in the middle of a window, a finish over midnight', () => {
	const job = scheduleJob.parse({
		...JOB,
		start: '2031-04-28T23:30',
		steps: [{ id: 'cut', minutes: 60, wait: 45 }]
	});
	const result = runScheduleJob(job, () => 1.23456);
	assert.deepEqual(result.steps[0]!.blocks, [
		['2031-04-28T23:30', '2031-04-29T00:00'],
		['2031-04-29T18:00', '2031-04-29T18:30']
	]);
	assert.equal(result.finish, '2031-04-29T19:15');
	assert.equal(result.seconds, 1.235);
});

test('a yard by daylight and in dry weather: the plan keeps to the sun, the odds to the rain', () => {
	const job = scheduleJob.parse({
		...JOB,
		deadline: '2031-04-29T06:00',
		runs: 2000,
		makers: [{ id: 'me', windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from: '00:00', to: '24:00' }] }],
		places: [
			{
				id: 'yard',
				windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from: '00:00', to: '24:00' }],
				off: ['2031-04-28'],
				daylightOnly: true,
				dryOnly: true
			}
		],
		sun: { latitude: 51.5, noon: '12:00', summerTime: 'lastOfMarch' },
		wetShare: 0.25,
		steps: [{ id: 'spray', minutes: 15, place: 'yard', oneSitting: true }]
	});
	const { steps, odds } = runScheduleJob(job, () => 0);
	// Sunrise in London on 29 April: 05:35, from memory.
	assert.match(steps[0]!.start!, /^2031-04-29T05:3[3-7]$/);
	assert.ok(Math.abs(odds!.byDeadline! - 0.75) < 0.03, `dry in ${odds!.byDeadline}`);
});
