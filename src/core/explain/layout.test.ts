import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { test } from 'node:test';
import { STANDARD } from '../trade/catalogue.ts';
import * as make from '$tests/support/record.ts';
import { rectangle } from '../engines/layout/offcut.ts';
import type { LayPlan } from '../facts/layout.ts';
import { PLAIN_LAY } from '../facts/layout.ts';
import { weigh } from '../answers/substitute.ts';
import { shoppingLines } from '../answers/shopping.ts';
import { valueOf } from './figure.ts';
import { packsFigure } from './money.ts';
import {
	cementFigure,
	choiceCostFigure,
	cutMinutesFigure,
	densityFigure,
	rollFigure,
	stackMinutesFigure
} from './layout.ts';

const plan = (roll: number | null, settings = PLAIN_LAY): LayPlan => ({
	settings,
	stock: { id: '7', sheets: [], more: roll === null ? { width: 500, height: 400 } : null, roll },
	pieces: [
		{
			id: 'A',
			code: 'A',
			name: '',
			componentId: 1,
			stock: '7',
			outline: rectangle(200, 100),
			holes: [rectangle(50, 40)],
			quantity: 2,
			pair: false,
			rotations: [0],
			folded: null
		}
	],
	placements: [1, 2].map((copy) => ({
		piece: 'A',
		copy,
		stock: '7',
		sheet: 1,
		mirrored: false,
		rotation: 0,
		x: 5,
		y: copy === 1 ? 5 : 195
	}))
});

test('how much becomes pieces, what of a roll is bought, how long it is cut', () => {
	// Two of 200 × 100 less 50 × 40, of 500 × 400 and of 800 × 295.
	assert.equal(valueOf(densityFigure(plan(null), 'cm')), (100 * 36_000) / 200_000);
	assert.equal(valueOf(densityFigure(plan(800), 'cm')), (100 * 36_000) / (800 * 295));
	assert.equal(valueOf(rollFigure(plan(800), 'cm')), 295);
	const shrinks = { ...PLAIN_LAY, shrinkLength: 10, repeat: 100 };
	assert.ok(Math.abs(valueOf(rollFigure(plan(800, shrinks), 'cm')) - (295 / 0.9 + 100)) < 1e-9);
	// 2 × (600 + 180) mm: foam at 0.6 m a minute, cloth at half a metre, unless the maker says otherwise.
	assert.ok(
		Math.abs(valueOf(cutMinutesFigure(plan(null), 'foam', { rates: {}, handbook: [] })) - 1.56 / 0.6) < 1e-9
	);
	assert.ok(
		Math.abs(valueOf(cutMinutesFigure(plan(null), 'cloth', { rates: {}, handbook: [] })) - 1.56 * 2) < 1e-9
	);
	assert.ok(
		Math.abs(
			valueOf(cutMinutesFigure(plan(null), 'foam', { rates: { cutFoam: [1, 2, 3] }, handbook: [] })) -
				1.56 * 2
		) < 1e-9
	);
});

test('a substitute: whole packs beyond the stash, what becomes no piece, glue and time between layers', () => {
	const foam = make.material(1, {
		widthMm: 500,
		lengthMm: 1000,
		packSize: 2,
		packPriceMinor: 1990,
		stash: 1
	});
	const weighed = weigh(foam, 4, 1_200_000);
	assert.deepEqual(weighed, { quantity: 4, short: 3, packs: 2, costMinor: 3980, waste: 800_000 });
	assert.equal(weigh(foam, 1, 0).costMinor, 0);
	assert.equal(valueOf(choiceCostFigure(2, 1990, 'EUR')), 3980);
	assert.equal(valueOf(cementFigure(500_000, 3, STANDARD)), 450);
	// Half a square metre in two joints: 110 minutes for a square metre.
	assert.equal(valueOf(stackMinutesFigure(500_000, 3, { rates: {}, handbook: [] })), 110);
});

test('what was cut from the stash is not short again, and its packs are worked out without it', () => {
	const foam = make.material(1, { stash: 0, packSize: 1 });
	const record = make.record({
		components: [make.component(1)],
		needs: [{ ...make.need(1, 1, 3), taken: 2 }]
	});
	const [line] = shoppingLines(record, { materials: [foam], handbook: [], settings: FIRST_SETTINGS });
	assert.deepEqual([line!.needed, line!.taken, line!.short, line!.packsShort], [3, 2, 1, 1]);
	assert.equal(valueOf(packsFigure(line!)), 1);
	const all = shoppingLines(
		{ ...record, needs: [{ ...make.need(1, 1, 3), taken: 3 }] },
		{ materials: [foam], handbook: [], settings: FIRST_SETTINGS }
	);
	assert.deepEqual([all[0]!.short, all[0]!.over], [0, 0]);
});
