import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { causesOf, KNOWN_FAULTS, type FaultPlace, type KnownFault } from '../trade/knownFault.ts';
import { faultPlace } from './faultPlace.ts';
import { holdings } from './holding.ts';
import { holdsOf } from './holds.ts';

const NOWHERE: FaultPlace = { holds: [], surfaces: [], loads: [] };
const causes = (symptom: string, place: Partial<FaultPlace> = {}) =>
	causesOf(KNOWN_FAULTS, symptom, { ...NOWHERE, ...place });

test('the cause that a place asks for comes first; what asks for something else is not meant; the plain one is always there', () => {
	assert.deepEqual(causes('Hook-and-loop lets go'), ['hookAndLoopLetsGo']);
	assert.deepEqual(
		causes('hook-and-loop lets go', { holds: ['fastener hookAndLoopGlued'], surfaces: ['foam'] }),
		['hookAndLoopOwnGlue', 'hookAndLoopLetsGo']
	);
	assert.deepEqual(causes('strap torn out', { surfaces: ['cloth'] }), ['strapThroughCloth', 'strapTornOut']);
	assert.deepEqual(causes('strap torn out', { surfaces: ['foam'], loads: ['overloaded'] }), [
		'strapOverloaded',
		'strapTornOut'
	]);
	assert.deepEqual(causes('seam opens', { surfaces: ['polystyrene'] })[0], 'seamOnPolystyrene');
	assert.deepEqual(causes('it sings'), []);
});

test('a cause of one’s own that says more of the place stands before those that ship', () => {
	const own: KnownFault = {
		...KNOWN_FAULTS.strapTornOut,
		cause: 'rivet through one layer',
		holds: ['fastener buckle'],
		surfaces: ['foam']
	};
	const place = { ...NOWHERE, holds: ['fastener buckle'], surfaces: ['foam'] as const };
	assert.deepEqual(causesOf({ ...KNOWN_FAULTS, own }, 'strap torn out', place), ['own', 'strapTornOut']);
});

test('a place is what may let go, what it and what it hangs on are of, and whether it bears that when jumping', () => {
	const vest = make.component(1, { kind: 'garment', code: 'G-01' });
	const plate = make.component(2, { code: 'A-01', surface: 'foam' });
	const record = make.record({ components: [vest, plate] });
	const wear = {
		...make.NO_WEAR,
		joins: [make.join(1, 2, { fastener: 'snap', holdsTo: 'component', toComponentId: 1 })]
	};
	const place = (grams: number) =>
		faultPlace(2, null, {
			record,
			holds: holdsOf(record, wear, STANDARD),
			held: holdings(
				record.components,
				wear,
				new Map([1, 2].map((id) => [id, { grams, weighed: true, parts: [], unknown: [] }])),
				{ standing: 1, walking: 2, jumping: 4 },
				STANDARD
			),
			materials: []
		});
	assert.deepEqual(place(100), { holds: ['fastener snap'], surfaces: ['cloth', 'foam'], loads: [] });
	// 0.5 kg pull with 19.6 N when jumping: a snap bears 15.
	assert.deepEqual(place(500).loads, ['overloaded']);
});
