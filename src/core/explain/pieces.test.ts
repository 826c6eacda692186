import assert from 'node:assert/strict';
import { test } from 'node:test';
import { piece } from '../engines/pattern/piece.ts';
import { rectangle } from '../engines/pattern/sector.ts';
import { mm } from '../engines/pattern/shaper.ts';
import { dimensionFigure, piecesFigure } from './pieces.ts';
import { valueOf } from './figure.ts';

test('long lines are read in their own unit, with everything that is added up to them', () => {
	const square = (side: number, quantity = 1) => piece('square', rectangle(side, side), { quantity });
	// Round four squares of 750 mm: 12 m; round one: 3 m.
	const long = piecesFigure('outline', [square(750, 3), square(750)], 'cm', 'm');
	assert.equal(valueOf(long), 12_000);
	assert.deepEqual(
		[long.as, ...long.inputs.map((i) => i.as)].map((as) => ('unit' in as ? as.unit : null)),
		['m', 'm', 'm']
	);
	const short = piecesFigure('outline', [square(750)], 'cm', 'm');
	assert.deepEqual(short.as, { kind: 'length', unit: 'cm' });
	// An area has a unit of its own.
	assert.deepEqual(piecesFigure('area', [square(5000)], 'cm', 'm').as, { kind: 'area', unit: 'cm' });

	const hem = { title: 'Hem', of: 'length', formula: 'same', inputs: [mm('hem', 10_200)] } as const;
	assert.deepEqual(dimensionFigure(hem, 'in', 'yd').as, { kind: 'length', unit: 'yd' });
	assert.deepEqual(dimensionFigure({ ...hem, inputs: [mm('hem', 9900)] }, 'in', 'yd').as, {
		kind: 'length',
		unit: 'in'
	});
});
