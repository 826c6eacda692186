import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { otherMinutesFigure, otherMoneyFigure } from '../explain/otherWearer.ts';
import { valueOf } from '../explain/figure.ts';
import type { MeasureKey, Wearer } from '../facts/bodyMeasure.ts';
import { forOther } from './otherWearer.ts';

const wearer = (id: number, measures: Partial<Record<MeasureKey, number>>): Wearer => ({
	id,
	name: `wearer ${id}`,
	note: '',
	sections: {},
	version: 1,
	measures: Object.entries(measures).map(([key, mm], i) => ({
		id: 10 * id + i,
		wearerId: id,
		measure: key as MeasureKey,
		side: 'none',
		over: 'skin',
		mm,
		takenOn: 20_000,
		confirmed: true,
		note: '',
		version: 1
	}))
});
/** As wide as the waist. */
const panel = (id: number, componentId: number, materialId: number) =>
	make.flatPanel(id, componentId, { follows: 'waistGirth', plus: 0 }, { materialId });
const sash = make.component(1, { code: 'G-01', name: 'sash' });
const belt = make.component(2, { code: 'A-01', name: 'belt' });
const strap = make.component(3, { code: 'A-02', name: 'pouch' });
const bare = make.component(4, { code: 'P-01', name: 'staff' });
const record = make.record({
	components: [sash, belt, strap, bare],
	steps: [
		make.step(1, 2, { technique: 'other', amount: 90 }),
		make.step(2, 1, { technique: 'other', amount: 50 })
	]
});
const workshop = make.workshop({
	materials: [
		make.material(1, { family: 'cloth', unit: 'm', widthMm: 1400, packSize: 1, packPriceMinor: 1000 }),
		make.material(2, {
			family: 'foam',
			unit: 'sheet',
			widthMm: 500,
			lengthMm: 1000,
			packSize: 1,
			packPriceMinor: 1390
		})
	]
});
const ona = wearer(1, { waistGirth: 700 });
const fit = {
	wearers: [ona],
	worn: [{ id: 1, wearerId: 1, builtOn: null, fittedAt: 1, version: 1 }],
	shapes: [panel(1, 1, 1), panel(2, 2, 2)],
	materials: workshop.materials
};
const joins = [make.join(1, 3, { fastener: 'snap', count: 2, zone: 'waist' })];
const lend = (waist: number | null) =>
	forOther(record, { joins }, fit, wearer(2, waist === null ? {} : { waistGirth: waist }), workshop);
const how = (parts: ReturnType<typeof lend>) => parts.map((p) => p.how);

test('worked by hand: 15 mm more at the waist: cloth is let out, foam made anew, snaps are set again, a staff is tried', () => {
	const parts = lend(715);
	assert.deepEqual(how(parts), ['letOut', 'rebuilt', 'moved', 'unknown']);
	assert.deepEqual(parts[0]!.pieces[0]!.was, [700, 100]);
	assert.deepEqual(parts[0]!.pieces[0]!.now, [715, 100]);
	// All of the belt is another size: all of its steps. 90 min of other work.
	assert.equal(parts[1]!.minutes, 90);
	// 71,500 mm² × 1.3 of waste ÷ 500,000 mm² a sheet × 13.90.
	assert.equal(parts[1]!.minor, Math.round((71_500 * 1.3 * 1390) / 500_000));
	assert.equal(parts[2]!.moved[0]!.byMm, 15);
	assert.equal(
		valueOf(otherMinutesFigure(parts)),
		parts.reduce((sum, p) => sum + p.minutes, 0)
	);
	assert.equal(valueOf(otherMoneyFigure(parts, 'EUR')), parts[1]!.minor);
});

test('more than the seams have is made anew, less is taken in; a buckle takes up what a snap does not', () => {
	assert.equal(how(lend(740))[0], 'rebuilt');
	const slim = lend(660);
	assert.deepEqual(how(slim).slice(0, 3), ['takenIn', 'rebuilt', 'moved']);
	assert.equal(slim[2]!.moved[0]!.byMm, -40);
	const buckled = forOther(
		record,
		{ joins: [{ ...joins[0]!, fastener: 'buckle' }] },
		fit,
		wearer(2, { waistGirth: 760 }),
		workshop
	);
	assert.equal(buckled[2]!.how, 'asItIs');
});

test('the same measures need nothing; what nobody measured of the other is asked for', () => {
	const same = lend(700);
	assert.deepEqual(how(same).slice(0, 3), ['asItIs', 'asItIs', 'asItIs']);
	assert.equal(valueOf(otherMinutesFigure(same)), 0);
	const unmeasured = lend(null);
	assert.deepEqual(how(unmeasured).slice(0, 3), ['unknown', 'unknown', 'unknown']);
	assert.deepEqual(unmeasured[0]!.missing, ['waistGirth']);
});
