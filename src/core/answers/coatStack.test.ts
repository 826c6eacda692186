import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { test } from 'node:test';
import { seeded } from '$tests/support/planCases.ts';
import * as make from '$tests/support/record.ts';
import { planCostume } from './plan.ts';
import { slowerFigure } from '../explain/coating.ts';
import { valueOf } from '../explain/figure.ts';
import { DAY } from '../units/localTime.ts';
import { isColdOrDamp, recoatWindow, waitOf, withReading } from './wait.ts';
import { usagesOf } from './shopping.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { COAT_PRODUCTS, type StandardCoatProduct } from '../trade/coatProduct.ts';

const COAT_PRODUCT_KEYS = Object.keys(COAT_PRODUCTS) as StandardCoatProduct[];
import { checkCoat, coatSteps, packsForCoats } from './coatStack.ts';
import { nextCoat } from './nextCoat.ts';

const damp = (coldOrDamp: boolean) => ({ settings: { coldOrDamp, air: [] }, handbook: [] });
const NOW = make.at('2031-05-03T10:00'); // a Saturday: the spray place is open, nobody works

test('packs over a costume: never too few for the area, never a whole pack too many', () => {
	for (let seed = 1; seed <= 100; seed++) {
		const random = seeded(seed);
		const stacks = Array.from({ length: 1 + Math.floor(random() * 8) }, () => ({
			product: COAT_PRODUCT_KEYS[Math.floor(random() * COAT_PRODUCT_KEYS.length)]!,
			materialId: null,
			coats: 1 + Math.floor(random() * 6),
			area: Math.floor(random() * 900_000),
			copies: 1 + Math.floor(random() * 10)
		}));
		for (const { product, coatedMm2, packs } of packsForCoats(stacks, STANDARD, [], FIRST_SETTINGS)) {
			const mine = stacks.filter((s) => s.product === product);
			const area = mine.reduce((sum, s) => sum + s.area * s.coats * s.copies, 0);
			assert.equal(coatedMm2, area, `seed ${seed}`);
			assert.ok(packs * STANDARD.coatProduct[product]!.coversMm2 >= area - 1, `seed ${seed}: too few`);
			assert.ok((packs - 1) * STANDARD.coatProduct[product]!.coversMm2 < area, `seed ${seed}: one too many`);
		}
	}
	assert.deepEqual(packsForCoats([], STANDARD, [], FIRST_SETTINGS), []);
});

test('what a stack asks of the shopping is the same area, in the material’s own packs', () => {
	const record = make.record({
		components: [make.component(1, { side: 'pair', count: 2 })],
		coats: [make.coat(1, 1, { product: 'clearSpray', coats: 2, area: 90_000 })]
	});
	const [usage] = usagesOf(
		record,
		make.workshop({ materials: [make.material(1, { coatProduct: 'clearSpray', packSize: 400, unit: 'ml' })] })
	);
	// 0.09 m² × 2 coats × 4 copies = 0.72 m² of 1.8 m² a can of 400 ml.
	assert.ok(Math.abs(usage!.quantity - 160) < 1e-9);
	assert.deepEqual(
		usagesOf(record, make.workshop({ materials: [make.material(2)] })),
		[],
		'no material stands for it yet'
	);
});

test('a plan never lets a coat on at a moment that logging it would warn of', () => {
	for (const product of COAT_PRODUCT_KEYS) {
		const p = COAT_PRODUCTS[product];
		const coats = coatSteps(
			{
				product,
				coats: 4,
				area: 200_000,
				recoatMinutes: p.recoatMinutes,
				handlingMinutes: p.handlingMinutes
			},
			STANDARD
		);
		const record = make.record({
			components: [make.component(1)],
			steps: coats.map(({ needsSprayPlace, ...s }, i) =>
				make.step(i + 1, 1, {
					...s,
					phase: 'finish',
					coatId: 1,
					oneSitting: true,
					placeId: needsSprayPlace ? 1 : null
				})
			)
		});
		for (const coldOrDamp of [false, true]) {
			const workshop = make.workshop();
			workshop.settings.coldOrDamp = coldOrDamp;
			const { schedule: plan } = planCostume(record, workshop, NOW, new Map());
			plan.steps.slice(1).forEach((planned, i) => {
				const before = record.steps[i]!;
				const warning = checkCoat(
					plan.steps[i]!.end,
					waitOf(before, workshop),
					recoatWindow(record.steps[i + 1]!, before, workshop),
					planned.start
				);
				assert.equal(warning, null, `${p.name}, coat ${i + 2}${coldOrDamp ? ', damp' : ''}`);
			});
		}
	}
});

test('only what dries is slowed by cold and damp', () => {
	const wait = (extra: Parameters<typeof make.step>[2]) =>
		waitOf(make.step(1, 1, { waitMinutes: 60, ...extra }), damp(true));
	assert.equal(wait({ coatId: 3 }), 120);
	assert.equal(wait({ technique: 'cement' }), 120);
	assert.equal(wait({ technique: 'caulk' }), 120);
	assert.equal(wait({ technique: 'printSetUp' }), 60);
	assert.equal(waitOf(make.step(1, 1, { waitMinutes: 60, coatId: 3 }), damp(false)), 60);
});

test('below 15 °C or above 70 % waits are doubled, and a closed window opens later; how long it was open stays (from memory)', () => {
	const air = (celsius: number | null, humidity: number | null) => isColdOrDamp({ celsius, humidity });
	assert.deepEqual(
		[air(14.9, 50), air(15, 70), air(22, 71), air(null, 80), air(10, null), air(null, null)],
		[true, false, true, true, true, false]
	);
	const enamel = { withinMinutes: 60, orAfterMinutes: 2880 };
	const now = { doneAt: null };
	assert.deepEqual(recoatWindow(enamel, now, damp(true)), { withinMinutes: 60, orAfterMinutes: 5760 });
	assert.deepEqual(recoatWindow(enamel, now, damp(false)), enamel);
	assert.equal(
		recoatWindow({ withinMinutes: null, orAfterMinutes: null }, now, damp(true)).orAfterMinutes,
		null
	);
	// Worked through: on at 8:00, 12 °C. Next not before 8:30, until 9:00, else after four days.
	const steps = [
		make.step(1, 1, { coatId: 1, doneAt: NOW, waitMinutes: 15 }),
		make.step(2, 1, { coatId: 1, ...enamel })
	];
	const from = (minutes: number) => {
		const state = nextCoat(steps, damp(true), NOW + minutes);
		return 'from' in state ? [state.state, state.from - NOW] : [state.state];
	};
	assert.deepEqual(
		[from(29), from(30), from(61), from(5759), from(5760)],
		[['notBefore', 30], ['open'], ['closed', 5760], ['closed', 5760], ['open']]
	);
	const figure = slowerFigure({ celsius: 12, humidity: null });
	assert.deepEqual(
		[valueOf(figure), figure.inputs[1]!.source],
		[2, 'not measured: taken as in a heated room']
	);
});

test('what is on dries as it was on its day, what goes on as it is now', () => {
	const [cold, warm] = [8, 12].map((on, i) => ({
		on,
		celsius: [12, 20][i]!,
		humidity: null,
		coldOrDamp: !i
	}));
	const workshop = { ...damp(false), settings: { coldOrDamp: false, air: [cold!, warm!] } };
	const wait = (day: number | null) =>
		waitOf(
			make.step(1, 1, { coatId: 1, waitMinutes: 60, doneAt: day === null ? null : day * DAY + 600 }),
			workshop
		);
	// Before anybody measured it goes by the first; then by the last that was told until then.
	assert.deepEqual([wait(7), wait(8), wait(11), wait(12), wait(30), wait(null)], [120, 120, 120, 60, 60, 60]);
	const enamel = { withinMinutes: 60, orAfterMinutes: 2880 };
	const opens = (day: number) => recoatWindow(enamel, { doneAt: day * DAY }, workshop).orAfterMinutes;
	assert.deepEqual([opens(11), opens(12)], [5760, 2880]);
	// One reading a day, the newest of it, and none after it.
	assert.deepEqual(
		withReading([cold!, warm!], { ...cold!, on: 12 }).map((r) => [r.on, r.celsius]),
		[
			[8, 12],
			[12, 12]
		]
	);
});

test('where a stack stands: behind, drying, open until its window closes, closed, all on', () => {
	const enamel = { withinMinutes: 60, orAfterMinutes: 2880 };
	const state = (done: number | null, now: number) =>
		nextCoat(
			[
				make.step(1, 1, { coatId: 1, doneAt: done, waitMinutes: 15 }),
				make.step(2, 1, { coatId: 1, ...enamel })
			],
			damp(false),
			now
		);
	const heat = make.step(9, 1);
	assert.equal(nextCoat([heat, make.step(1, 1, { coatId: 1 })], damp(false), NOW).state, 'behind');
	assert.equal(nextCoat([heat], damp(false), NOW).state, 'allOn');
	assert.deepEqual([state(null, NOW).state, state(NOW, NOW + 14).state], ['open', 'notBefore']);
	const open = state(NOW, NOW + 30);
	assert.ok(open.state === 'open' && open.until === NOW + 60);
	const closed = state(NOW, NOW + 61);
	assert.ok(closed.state === 'closed' && closed.from === NOW + 2880);
	const again = state(NOW, NOW + 2880);
	assert.ok(again.state === 'open' && again.until === null, 'after the far side nothing closes any more');
});
