import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { near } from '$tests/support/shapes.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { coatFigure, coatTotalFigure } from '../explain/coating.ts';
import { valueOf } from '../explain/figure.ts';
import { hoursLeftFigure } from '../explain/plan.ts';
import { coatSteps, packsForCoats } from './coatStack.ts';
import { planCostume } from './plan.ts';
import { shoppingLines } from './shopping.ts';

/**
 * Cans and sessions of spraying, by hand from area and coats to what is bought and how long it takes.
 */

const colour = (id: number, extra: Parameters<typeof make.material>[1]) =>
	make.material(id, { family: 'paint', ...extra });

test('cans by what is in them: 0.6 m² three times brushed takes 216 ml, one bottle of 250 ml', () => {
	const verdigris = colour(1, {
		unit: 'ml',
		packSize: 250,
		coatProduct: 'brushedAcrylic',
		packPriceMinor: 420
	});
	const component = make.component(1);
	const coat = make.coat(1, 1, { product: 'brushedAcrylic', coats: 3, area: 600_000 });
	const record = make.record({ components: [component], coats: [coat] });
	const workshop = make.workshop({ materials: [verdigris] });
	// The handbook: 60 ml cover 0.5 m² once. 1.8 m² ÷ 0.5 × 60 ml.
	const [line] = shoppingLines(record, workshop);
	near(line!.needed, 216);
	assert.equal(line!.packsShort, 1);
	assert.equal(line!.costShortMinor, 420);
	const [need] = packsForCoats([{ ...coat, copies: 1 }], STANDARD, [verdigris], FIRST_SETTINGS);
	assert.equal(valueOf(coatTotalFigure(need!, STANDARD)), 1, 'Finish says what Buy asks for');
	near(valueOf(coatFigure(coat, component, record, STANDARD, [verdigris])), 216 / 250);
});

test('small cans are small: 2.1 m² of coats take four cans of 150 ml, and two of a usual size', () => {
	const small = colour(1, { unit: 'ml', packSize: 150, coatProduct: 'acrylicSpray' });
	const usual = colour(2, { unit: 'can', coatProduct: 'acrylicSpray' });
	const labelled = colour(3, { unit: 'can', coatProduct: 'acrylicSpray', coversMm2: 700_000 });
	const cans = (material: ReturnType<typeof colour>) =>
		shoppingLines(
			make.record({
				components: [make.component(1)],
				coats: [make.coat(1, 1, { product: 'acrylicSpray', coats: 3, area: 700_000 })]
			}),
			make.workshop({ materials: [material] })
		)[0]!.packsShort;
	// 400 ml cover 1.5 m², so 150 ml cover 0.5625.
	assert.deepEqual([cans(small), cans(usual), cans(labelled)], [4, 2, 3]);
});

test('each colour has its own cans: black and red are not one', () => {
	const [black, red] = [1, 2].map((id) => colour(id, { unit: 'can', coatProduct: 'acrylicSpray' }));
	const record = make.record({
		components: [make.component(1), make.component(2)],
		coats: [
			make.coat(1, 1, { product: 'acrylicSpray', coats: 2, area: 100_000, materialId: 1 }),
			make.coat(2, 2, { product: 'acrylicSpray', coats: 2, area: 900_000, materialId: 2 })
		]
	});
	const lines = shoppingLines(record, make.workshop({ materials: [black!, red!] }));
	assert.deepEqual(
		lines.map((l) => [l.material.id, l.packsShort]),
		[
			[1, 1],
			[2, 2]
		]
	);
});

test('sprayed on two days it is set out twice, on one evening once, and the hours left say so', () => {
	const coat = make.coat(1, 1, {
		product: 'acrylicSpray',
		coats: 2,
		area: 1_000_000,
		recoatMinutes: 20,
		handlingMinutes: 0
	});
	const stepsOf = (recoat: number) =>
		coatSteps({ ...coat, recoatMinutes: recoat }, STANDARD).map(({ needsSprayPlace: _, ...s }, i) =>
			make.step(i + 1, 1, { ...s, phase: 'finish', coatId: 1, placeId: 1, oneSitting: true })
		);
	const planned = (recoat: number) => {
		const record = make.record({ components: [make.component(1)], coats: [coat], steps: stepsOf(recoat) });
		const plan = planCostume(record, make.workshop(), make.at('2031-05-03T08:00'), new Map());
		const [a, b] = plan.schedule.steps;
		assert.equal(valueOf(hoursLeftFigure(record, plan)), plan.handsOnLeft[1], 'and its working sums to it');
		return [a!.end - a!.start, b!.end - b!.start, plan.handsOnLeft[1]];
	};
	// 1 m² at 0.25 m² a minute is 4 minutes; 20 to set out.
	assert.deepEqual(planned(20), [24, 4, 28]);
	assert.deepEqual(planned(12 * 60), [24, 24, 48]);
});

test('the smallest coat is work in its place, while it is open', () => {
	const record = make.record({
		components: [make.component(1)],
		coats: [make.coat(1, 1, { area: 1000, coats: 1 })],
		steps: [
			make.step(1, 1, {
				technique: 'spray',
				amount: 1000,
				coatId: 1,
				placeId: 1,
				oneSitting: true,
				phase: 'finish'
			})
		]
	});
	const workshop = make.workshop();
	const plan = planCostume(record, workshop, make.at('2031-05-02T20:00'), new Map());
	const [s] = plan.schedule.steps;
	assert.ok(s!.end - s!.start >= 1);
	const { windows } = workshop.places.find((p) => p.id === 1)!;
	const [day, clock] = [Math.floor(s!.start / 1440), s!.start % 1440];
	const weekday = ((day + 3) % 7) + 1;
	assert.ok(
		windows.some((w) => w.days.includes(weekday) && clock >= w.from && s!.end % 1440 <= w.to),
		`at ${clock} on ${weekday}`
	);
});
