import assert from 'node:assert/strict';
import { test } from 'node:test';
import { at, component, material, need, record, step, workshop } from '$tests/support/record.ts';
import { DAY } from '../units/localTime.ts';
import { compareWays, riskOf, routeFor, type WayOutcome } from './makeOrBuy.ts';

const NOW = at('2031-04-28T18:00');
const plate = component(1, { route: 'foamPlate' });
const other = component(2, { kind: 'garment' });
const base = record({
	components: [plate, other],
	steps: [
		step(10, 1, { name: 'cut', amount: 300 }),
		step(11, 1, { name: 'join', amount: 240 }),
		step(20, 2, { name: 'sew', amount: 60 })
	],
	needs: [need(1, 1, 2)]
});
const shop = workshop({ materials: [material(1, { packPriceMinor: 1500, leadDays: 0, stash: 0 })] });
const OFFERS = { buy: { priceMinor: 9000, leadDays: 12 }, alter: { priceMinor: 2500, leadDays: 0 } };
const byWay = (r = base) =>
	Object.fromEntries(compareWays(r.components[0]!, r, shop, OFFERS, NOW).map((w) => [w.way, w])) as Record<
		WayOutcome['way'],
		WayOutcome
	>;

test('three ways: what is in use is planned as it stands, the others as if chosen', () => {
	const { make, buy, alter } = byWay();
	assert.equal(make.handsOn[1], 540);
	assert.deepEqual(
		make.steps.map((s) => s.name),
		['cut', 'join']
	);
	assert.equal(make.withMinor - make.withoutMinor, 3000);
	assert.equal(buy.handsOn[1], 30, 'trying on');
	assert.equal(buy.withMinor - buy.withoutMinor, 9000, 'its foam is not needed any more');
	assert.equal(alter.route, 'found object');
	assert.ok(alter.withMinor - alter.withoutMinor >= 2500);
	assert.equal(make.freedMinutes, 0);
	assert.equal(buy.freedMinutes, 510);
});

test('a bought one is there no sooner than its parcel, and the rest of the costume goes on', () => {
	const { make, buy } = byWay();
	assert.ok(buy.ready! >= NOW + 11 * DAY, 'twelve days');
	assert.equal(buy.parcel, true);
	assert.equal(make.parcel, true, 'its foam is to be ordered too');
	assert.ok(make.finish! > NOW && buy.finish! >= buy.ready!);
});

test('done steps stay out of the minutes; making again starts from the route', () => {
	const begun = record({
		...base,
		steps: base.steps.map((s) => (s.id === 10 ? { ...s, doneAt: NOW - DAY } : s))
	});
	assert.equal(byWay(begun).make.handsOn[1], 240);
	const bought = record({
		...base,
		components: [{ ...plate, source: 'buy' as const }, other],
		steps: base.steps.slice(2)
	});
	const { make, buy } = byWay(bought);
	assert.equal(make.route, 'foam plate');
	assert.ok(make.steps.length > 10 && make.steps.some((s) => /filler primer/.test(s.name)));
	assert.equal(buy.freedMinutes, 0);
	assert.ok(make.freedMinutes < 0, 'making takes more');
});

test('routes by kind, and the risk in a word', () => {
	assert.equal(routeFor('alter', { kind: 'garment', route: null }), 'alteredGarment');
	assert.equal(routeFor('make', { kind: 'wig', route: null }), 'wig');
	assert.equal(routeFor('buy', { kind: 'prop', route: 'light' }), null);
	const { make, buy } = byWay();
	const deadline = base.costume.eventAt - base.costume.bufferDays * DAY;
	assert.match(riskOf(make, deadline).risk, /low|some/);
	assert.deepEqual(riskOf({ ...buy, ready: deadline + 1 }, deadline), {
		risk: 'high',
		why: 'not ready in time'
	});
	assert.equal(riskOf({ ...make, ready: null }, deadline).risk, 'high');
	assert.equal(riskOf({ ...make, ready: NOW, outlook: 'late' }, deadline).risk, 'high');
	assert.equal(riskOf({ ...make, ready: NOW, outlook: 'intoBuffer', parcel: false }, deadline).risk, 'some');
	assert.equal(riskOf({ ...buy, ready: deadline - DAY, outlook: 'safe' }, deadline).risk, 'some');
	assert.equal(
		riskOf({ ...make, ready: NOW, outlook: 'safe', parcel: false, handsOn: [0, 10, 20] }, deadline).risk,
		'low'
	);
});
