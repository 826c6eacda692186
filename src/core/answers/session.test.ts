import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { seeded } from '$tests/support/planCases.ts';
import { batchesOf, fillSession } from './session.ts';
import type { Step } from '../facts/step.ts';
import type { ReadyStep } from './today.ts';

const ready = (
	id: number,
	minutes: number,
	extra: Omit<Partial<ReadyStep>, 'step'> & { step?: Partial<Step> } = {}
): ReadyStep => {
	const { step, ...rest } = extra;
	return {
		component: make.component(1),
		minutes,
		slackMinutes: 1440,
		fitsInWait: false,
		opensAt: null,
		dryOnly: false,
		makers: [],
		...rest,
		step: make.step(id, 1, { oneSitting: true, ...step })
	};
};
const ids = (parts: ReturnType<typeof fillSession>) =>
	parts.map((p) => [p.ready.step.id, p.minutes, p.whole]);

test('40 minutes: what fits together and is worth most, as trying every choice finds it', () => {
	for (let seed = 1; seed <= 60; seed++) {
		const random = seeded(seed);
		const steps = Array.from({ length: 8 }, (_, i) =>
			ready(i + 1, 5 + Math.floor(random() * 40), { slackMinutes: Math.floor(random() * 6000) - 500 })
		);
		const worth = (r: ReadyStep) =>
			r.minutes * (2 ** (-Math.max(0, r.slackMinutes!) / 1440) * (r.slackMinutes! < 0 ? 2 : 1) + 1e-3);
		const found = fillSession(steps, 40);
		const minutes = found.reduce((sum, p) => sum + p.minutes, 0);
		assert.ok(minutes <= 40 && found.every((p) => p.whole), `seed ${seed}`);
		let best = 0;
		for (let mask = 0; mask < 256; mask++) {
			const some = steps.filter((_, k) => (mask >> k) & 1);
			if (some.reduce((sum, r) => sum + r.minutes, 0) <= 40)
				best = Math.max(
					best,
					some.reduce((sum, r) => sum + worth(r), 0)
				);
		}
		const got = found.reduce((sum, p) => sum + worth(p.ready), 0);
		assert.ok(Math.abs(got - best) < 1e-6, `seed ${seed}: ${got} for ${best}`);
	}
});

test('a sitting that does not fit is left; one that may be set aside is begun, if a quarter of an hour is left', () => {
	const long = ready(1, 90, { slackMinutes: -60 });
	const short = ready(2, 20);
	const open = ready(3, 200, { step: { oneSitting: false } });
	assert.deepEqual(ids(fillSession([long, short, open], 40)), [
		[2, 20, true],
		[3, 20, false]
	]);
	assert.deepEqual(ids(fillSession([long, short, open], 30)), [[2, 20, true]]);
	assert.deepEqual(ids(fillSession([long], 40)), []);
	assert.deepEqual(ids(fillSession([ready(4, 10, { opensAt: 99 })], 40)), [], 'its place is closed');
});

test('what waits afterwards comes first, and what belongs together stands together', () => {
	const parts = fillSession(
		[
			ready(1, 5, { step: { technique: 'sand' } }),
			ready(2, 5, { step: { technique: 'bevel' } }),
			ready(3, 5, { step: { technique: 'sand' } }),
			ready(4, 5, { step: { waitMinutes: 60, technique: 'caulk' } })
		],
		40
	);
	assert.deepEqual(
		parts.map((p) => p.ready.step.id),
		[4, 2, 1, 3]
	);
});

test('batches: one colour from one can, one glue, one tool; the set-up that is saved', () => {
	const workshop = make.workshop({
		materials: [make.material(1, { name: 'Filler primer, grey', coatProduct: 'fillerPrimer' })]
	});
	const record = make.record({
		coats: [make.coat(1, 1), make.coat(2, 2)],
		needs: [make.need(1, 1, 1), make.need(2, 1, 1)]
	});
	const coat = (id: number, component: number): ReadyStep => ({
		...ready(id, 25),
		step: make.step(id, component, { coatId: component, technique: 'spray', setUpMinutes: 20 })
	});
	const batches = batchesOf(
		[
			coat(1, 1),
			coat(2, 2),
			ready(3, 5, { step: { technique: 'cement' } }),
			ready(4, 5, { step: { technique: 'cement' } }),
			ready(5, 5, { step: { technique: 'sand' } })
		],
		record,
		workshop
	);
	assert.deepEqual(
		batches.map((b) => [b.words, b.steps.map((s) => s.step.id), b.savedMinutes]),
		[
			['Filler primer, grey', [1, 2], 20],
			['contact cement open', [3, 4], 0]
		]
	);
});
