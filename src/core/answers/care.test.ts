import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { bearsFigure, driesFigure } from '../explain/health.ts';
import { valueOf } from '../explain/figure.ts';
import type { Keeping } from '../facts/health.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { DAY } from '../units/localTime.ts';
import { byDue, careOf } from './care.ts';

const cape = make.component(1, { code: 'G-01', name: 'cape' });
const mask = make.component(2, { code: 'A-01', name: 'mask' });
const record = make.record({
	components: [cape, mask],
	needs: [make.need(1, 5, 2), make.need(1, 6, 1), make.need(2, 7, 1), make.need(2, 8, 40)],
	steps: [
		make.step(1, 1, { technique: 'eyelet', doneAt: 100 * DAY }),
		make.step(2, 2, { technique: 'cutFoam', doneAt: 90 * DAY }),
		make.step(3, 2, { technique: 'wire', doneAt: null })
	],
	coats: [make.coat(1, 2, { product: 'clearSpray' })]
});
const materials = [
	make.material(5, { name: 'Wool, grey', family: 'cloth' }),
	make.material(6, { name: 'Lining cotton', family: 'cloth' }),
	make.material(7, { name: 'Foam 6 mm', family: 'foam' }),
	make.material(8, { name: 'Hot glue sticks', family: 'glue' })
];
const wear = {
	...make.NO_WEAR,
	joins: [
		make.join(1, 1, { fastener: 'hooks' }),
		make.join(2, 2, { fastener: 'buckle', holdsTo: 'component', toComponentId: 1 })
	]
};
const care = (component = cape, slower = 1, keepings: Keeping[] = []) =>
	careOf(
		component,
		record,
		wear,
		{ materials, keepings, inspected: [], slower, cutFrom: new Map() },
		STANDARD
	);

test('by hand: a lined cape with a snap of steel and a brass eyelet: by hand, 20 °C, the cold of the wool; a damp day doubles its drying', () => {
	const its = care(cape, 2);
	// Wool by hand at 20 °C, 24 h; cotton by machine at 30 °C, 12 h; eyelets by hand; steel hooks come off, and ask for nothing then.
	assert.deepEqual([its.wash, its.mostC, its.dryHours], ['hand', 20, 48]);
	assert.equal(valueOf(bearsFigure(its)), 20);
	assert.equal(valueOf(driesFigure(its, 2)), 48);
	assert.deepEqual(its.offFirst, ['steel pins, hooks', 'A-01 mask'], 'and what hangs on it');
	assert.deepEqual(its.reasons.map((r) => [r.what, r.rule.danger]).sort(), [
		['Lining cotton', 'shrinks'],
		['Wool, grey', 'shrinks'],
		['eyelets', 'rusts'],
		['steel pins, hooks', 'rusts']
	]);
});

test('eyelets of brass do not rust; of what else nobody says', () => {
	const danger = (name: string) =>
		careOf(
			cape,
			{ ...record, needs: [make.need(1, 9, 8)] },
			{ joins: [], wearings: [] },
			{
				materials: [make.material(9, { name, family: 'closure' })],
				keepings: [],
				inspected: [],
				slower: 1,
				cutFrom: new Map()
			},
			STANDARD
		).reasons.map((r) => [r.what, r.rule.danger]);
	assert.deepEqual(danger('Brass eyelets 8 mm'), [['Brass eyelets 8 mm', null]]);
	assert.deepEqual(danger('Eyelets 8 mm'), [['Eyelets 8 mm', 'rusts']]);
	assert.deepEqual(danger('Cord'), [['eyelets', 'rusts']], 'set, and nobody says of what');
});

test('foam, paint and what melts are wiped; cells come out first, and are said once', () => {
	const its = care(mask);
	assert.equal(its.wash, 'wipe');
	assert.deepEqual(its.offFirst, ['light']);
	// Hot glue lets go at 50 °C, as foam does.
	assert.equal(its.mostC, 50);
	assert.equal(its.reasons.filter((r) => r.what.toLowerCase().includes('foam')).length, 1);
	assert.ok(its.store.includes('dark') && its.store.includes('cellsOut'));
});

test('what is only wiped soaks nothing else; what is nothing but light is not washed; what pieces are cut from counts', () => {
	const its = { materials, keepings: [], inspected: [], slower: 1 };
	const held = { ...wear, joins: [make.join(3, 2, { fastener: 'hookAndLoop' })] };
	// Foam is dry after 4 h; its hook-and-loop would take 12 in the wash.
	assert.equal(careOf(mask, record, held, { ...its, cutFrom: new Map() }, STANDARD).dryHours, 4);
	const lamp = make.component(3);
	const lit = { ...record, steps: [make.step(9, 3, { technique: 'wire', doneAt: 5 })] };
	const light = careOf(lamp, lit, make.NO_WEAR, { ...its, cutFrom: new Map() }, STANDARD);
	assert.deepEqual([light.wash, light.dryHours, light.offFirst], ['dry', 0, ['light']]);
	const cut = careOf(lamp, lit, make.NO_WEAR, { ...its, cutFrom: new Map([[3, [5]]]) }, STANDARD);
	assert.deepEqual([cut.wash, cut.mostC], ['hand', 20]);
});

test('the next look is so many months after the last: made, looked at, or as the maker says; what is not made has none', () => {
	// Made on day 100, 1970-04-11: wool every six months, 1970-10-11 is day 283.
	assert.deepEqual([care().months, care().lookedOn, care().dueOn], [6, 100, 283]);
	const keep = (more: Partial<Keeping>): Keeping[] => [
		{ id: 1, componentId: 1, place: '', note: '', everyMonths: null, lookedOn: null, version: 1, ...more }
	];
	assert.equal(care(cape, 1, keep({ everyMonths: 1 })).dueOn, 130);
	assert.equal(care(cape, 1, keep({ lookedOn: 120, everyMonths: 1 })).dueOn, 151);
	assert.deepEqual([care(mask).lookedOn, care(mask).dueOn], [null, null]);
	assert.deepEqual(
		byDue([care(mask), care()]).map((c) => c.component.code),
		['G-01', 'A-01']
	);
	const bare = careOf(
		make.component(9),
		record,
		wear,
		{ materials, keepings: [], inspected: [], slower: 1, cutFrom: new Map() },
		STANDARD
	);
	assert.deepEqual([bare.wash, bare.reasons], [null, []]);
});
