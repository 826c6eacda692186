import assert from 'node:assert/strict';
import { test } from 'node:test';
import { plusMinus, sureWords, warningWords } from './measureWords.ts';

test('no more digits are told than are sure, and the ± holds 95 of 100', () => {
	// σ 0.6 mm: ± 1.2, so that tenths are sure; σ 3 mm: ± 6, whole millimetres.
	assert.equal(sureWords('length', 123.456, 0.6, 'mm'), '123.5 mm');
	assert.equal(plusMinus('length', 0.6, 'mm'), '± 1.2 mm');
	assert.equal(sureWords('length', 123.456, 3, 'mm'), '123 mm');
	assert.equal(sureWords('length', 123.456, 30, 'mm'), '120 mm');
	assert.equal(sureWords('angle', 89.64, 1.5, 'cm'), '90 °');
	assert.equal(plusMinus('angle', 1.5, 'cm'), '± 3');
});

test('warnings are told with their figures', () => {
	assert.match(warningWords({ code: 'offPlane', percent: 3.25, assumed: false } as never), /3\.3|3\.2/);
	assert.notEqual(
		warningWords({ code: 'offPlane', percent: 3, assumed: true } as never),
		warningWords({ code: 'offPlane', percent: 3, assumed: false } as never),
		'an assumed lens is said to be one'
	);
});
