import { costingOf } from '../src/core/answers/quote.ts';
import { bySupplier, latenessOf } from '../src/core/answers/deliveries.ts';
import { shoppingLines } from '../src/core/answers/shopping.ts';
import { choosePacks } from '../src/core/engines/purchase/choose.ts';
import { loadSolver } from '../src/core/engines/purchase/solver.ts';
import type { PackTask } from '../src/core/engines/purchase/task.ts';
import { parseDate } from '../src/core/units/localTime.ts';
import { seeded } from '../src/core/units/random.ts';
import * as make from '../tests/support/record.ts';
import { median, ms, timed } from './print.ts';

/** So many needs, each offered six times by one of eight suppliers, with breaks and free sending. */
function purchase(needs: number): PackTask {
	const random = seeded(needs);
	const start = parseDate('2031-04-28');
	if (!start.ok) throw new Error('no date');
	const suppliers = Array.from({ length: 8 }, (_, i) => ({
		id: `s${i}`,
		workingDays: [1, 2, 3, 4, 5],
		closed: [],
		shippingMinor: 300 + Math.floor(random() * 500),
		freeFromMinor: 4000 + Math.floor(random() * 4000),
		minOrderMinor: null
	}));
	return {
		start: start.value,
		aim: 'cheapest',
		needs: Array.from({ length: needs }, (_, i) => ({
			id: `n${i}`,
			amount: 0.5 + random() * 9,
			by: start.value + 21
		})),
		offers: Array.from({ length: needs * 6 }, (_, i) => {
			const priceMinor = 300 + Math.floor(random() * 2000);
			return {
				id: `o${i}`,
				need: `n${Math.floor(i / 6)}`,
				supplier: `s${Math.floor(random() * 8)}`,
				amount: [0.5, 1, 2, 5][Math.floor(random() * 4)]!,
				priceMinor,
				breaks: random() < 0.4 ? [{ from: 3, priceMinor: Math.round(priceMinor * 0.88) }] : [],
				leadDays: Math.floor(random() * 12),
				everyDay: false,
				max: null
			};
		}),
		suppliers
	};
}

/** A large costume: so many components of twenty steps, six coats and four needs each. */
function large(components: number) {
	const materials = [
		...Array.from({ length: 60 }, (_, i) => make.material(i + 1, { stash: i % 3 })),
		...['sewingThread', 'contactCement', 'blade', 'hookAndLoop', 'caulk', 'sandpaper'].map((supply, i) =>
			make.material(61 + i, { supply, unit: ['m', 'ml', 'piece', 'm', 'ml', 'sheet'][i]!, family: 'other' })
		)
	];
	const ids = Array.from({ length: components }, (_, i) => i + 1);
	const techniques = ['trace', 'cutFoam', 'bevel', 'cement', 'caulk', 'sewMachine', 'sand', 'hookAndLoop'];
	const record = make.record({
		components: ids.map((id) => make.component(id, { side: id % 2 ? 'pair' : 'none' })),
		steps: ids.flatMap((id) =>
			Array.from({ length: 20 }, (_, k) =>
				make.step(id * 100 + k, id, { technique: techniques[k % 8]!, amount: 1000 + 37 * k })
			)
		),
		coats: ids.flatMap((id) => Array.from({ length: 6 }, (_, k) => make.coat(id * 10 + k, id))),
		needs: ids.flatMap((id) => [0, 1, 2, 3].map((k) => make.need(id, 1 + ((id + 7 * k) % 60), 1.5)))
	});
	return { record, workshop: make.workshop({ materials }) };
}

/** The choice of packs, what is needed, and a quote. */
export async function buy(): Promise<void> {
	const solve = await loadSolver();
	console.log('');
	for (const needs of [20, 60]) {
		const task = purchase(needs);
		const run = () => choosePacks(task, solve, 20);
		const chosen = run();
		console.log(
			`buy: ${needs} needs × 6 offers × 8 suppliers ${ms(median(timed(5, run)))} (median of 5), ${chosen.proved ? 'proved' : 'not proved'}`
		);
	}
	for (const components of [20, 140]) {
		const { record, workshop } = large(components);
		const lines = timed(9, () => shoppingLines(record, workshop));
		const quote = timed(9, () => costingOf(record, workshop));
		console.log(
			`buy: ${components} components, ${record.steps.length} steps: needs ${ms(median(lines))}, costing of a quote ${ms(median(quote))} (median of 9)`
		);
	}
	const MANY = 3000;
	const came = Array.from({ length: MANY }, (_, i) => ({
		supplier: `supplier ${i % 50}`,
		orderedOn: 22_000 + i,
		arrivedOn: 22_006 + i + (i % 7),
		leadDays: 4,
		leadWorkingDays: true
	}));
	const late = timed(9, () => {
		for (const its of bySupplier(came).values())
			latenessOf(its, { workingDays: [1, 2, 3, 4, 5], closed: [] });
	});
	console.log(`buy: how late ${MANY} deliveries of 50 suppliers came ${ms(median(late))} (median of 9)`);
}
