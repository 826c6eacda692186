import assert from 'node:assert/strict';
import { test } from 'node:test';
import { knownJoins } from './knownJoins.ts';
import * as make from '../../../tests/support/record.ts';

test('joints of a costume: its seams by their steps, what is fixed to what, what fastens it', () => {
	const record = make.record({
		components: [
			make.component(1, { code: 'A-01', name: 'plate', surface: 'foam' }),
			make.component(2, { code: 'A-02', name: 'badge', surface: 'print', parentId: 1 }),
			make.component(3, { code: 'G-01', name: 'glove', surface: 'leather', flex: 'stretch' }),
			make.component(4, { code: 'A-03', name: 'nobody knows', surface: null })
		],
		steps: [
			make.step(1, 1, { technique: 'cement', amount: 900 }),
			make.step(2, 1, { technique: 'cement', amount: 300 }),
			make.step(3, 1, { technique: 'buckle', amount: 2 }),
			make.step(4, 3, { technique: 'hookAndLoop', amount: 1 }),
			make.step(5, 3, { technique: 'cement', amount: 0 }),
			make.step(6, 4, { technique: 'cement', amount: 100 })
		]
	});
	assert.deepEqual(
		knownJoins(record, []).map((j) => [j.key, j.name, j.a, j.b, j.loads, j.seamMm]),
		[
			// 0.9 and 0.3 m of seam.
			['seams 1', 'its seams', 'foam', 'foam', [], 1200],
			['buckle 1', 'its straps', 'strap', 'foam', ['shear'], null],
			['on 2', 'on A-01 plate', 'print', 'foam', [], null],
			['hookAndLoop 3', 'its hook-and-loop', 'hookAndLoop', 'leather', ['flex', 'peel'], null]
		]
	);
});
