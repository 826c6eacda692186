import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { kitFigure, kitLineFigure, kitWeighsFigure, troubleFigure } from '../explain/health.ts';
import { valueOf } from '../explain/figure.ts';
import type { KeptKitItem } from '../facts/health.ts';
import type { EventRule } from '../facts/travel.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { toInspect } from './inspection.ts';
import { emergencyKit } from './kit.ts';
import { chooseOfKit, minutesLost } from './kitChoice.ts';

const near = (a: number, b: number) => assert.ok(Math.abs(a - b) < 1e-9, `${a}, not ${b}`);
const vest = make.component(1, { code: 'G-01', name: 'vest' });
const mask = make.component(2, { code: 'A-01', name: 'mask' });
const record = make.record({
	components: [vest, mask],
	steps: [make.step(1, 1, { technique: 'sewHand' }), make.step(2, 2, { technique: 'cement' })],
	needs: [make.need(2, 5, 1)]
});
const wear = {
	...make.NO_WEAR,
	joins: [make.join(1, 1, { fastener: 'snap' }), make.join(2, 2, { fastener: 'buckle' })]
};
const kit = emergencyKit(
	record,
	wear,
	[make.material(5, { family: 'glue', name: 'contact cement' })],
	STANDARD
);
const looks = toInspect(
	record,
	wear,
	{ held: [], learned: [], wears: [], inspected: [], now: 0 },
	STANDARD,
	true
);
const kept = (key: string, more: Partial<KeptKitItem> = {}): KeptKitItem => ({
	id: 1,
	costumeId: 1,
	key,
	name: '',
	grams: null,
	ml: null,
	takes: 'asWorkedOut',
	version: 1,
	...more
});
const NO_BLADE: EventRule = { id: 1, eventName: 'e', kind: 'blade', limits: [], note: '', version: 1 };
const choose = (
	grams: number | null,
	more: { kept?: KeptKitItem[]; rules?: EventRule[]; ml?: number | null } = {}
) =>
	chooseOfKit(kit, looks, {
		limit: { grams, ml: more.ml ?? null },
		kept: more.kept ?? [kept('plasters', { takes: 'never' })],
		rules: more.rules ?? [],
		faultsOf: () => []
	});
const goes = (choice: ReturnType<typeof choose>) => choice.lines.filter((l) => l.taken).map((l) => l.key);

test('what is planned counts before it is made: a snap, a strap, a glued and a sewn seam', () => {
	assert.deepEqual(looks.map((l) => `${l.component.code} ${l.kind}`).sort(), [
		'A-01 fastener buckle',
		'A-01 seam cement',
		'G-01 fastener snap',
		'G-01 seam sewn'
	]);
	const made = toInspect(record, wear, { held: [], learned: [], wears: [], inspected: [], now: 0 }, STANDARD);
	assert.deepEqual(made.map((l) => l.line).sort(), ['join 1', 'join 2'], 'no seam is made yet');
});

test('by hand: a kit of 100 g for a snap and a strap: what each thing saves, what stays and why', () => {
	// Expected at the next wear: snap and glued seam 0.03, sewn seam and strap 0.01; they cost 15, 20, 20 and 40 min: 0.45, 0.6, 0.2, 0.4.
	const all = choose(null);
	near(all.lost, 1.65);
	// Snap 0.9, glue 0.8, needle with scissors 0.9, strap sewn on anew 0.9: 0.405 + 0.48 + 0.18 + 0.36.
	near(all.saves, 1.425);
	const within = choose(100);
	// Pins (15 g) save 0.7 × 0.45 + 0.6 × 0.2 + 0.6 × 0.4 = 0.675, glue (60 g) 0.48: 1.155. Without glue, needle, spare snap, spare
	// buckle and scissors would come to 0.945 at most.
	assert.deepEqual(goes(within).sort(), ['glue contact cement', 'pins', 'thread']);
	// The needle (15 g more) mends the sewn seam better: 0.8 × 0.2 for 0.6 × 0.2.
	near(within.saves, 0.315 + 0.16 + 0.24 + 0.48);
	near(valueOf(kitFigure(within, (t) => t.kind)), within.saves);
	assert.equal(valueOf(kitWeighsFigure(within)), 90);
	const pins = within.lines.find((l) => l.key === 'pins')!;
	// Without pins: nothing for snap and strap.
	near(pins.saves, 0.315 + 0.24);
	near(valueOf(kitLineFigure(pins, within)), pins.saves);
	const strap = within.troubles.find((t) => t.kind === 'fastener buckle')!;
	near(valueOf(troubleFigure(strap, 'costs')), 0.4);
	assert.deepEqual(Object.fromEntries(within.lines.filter((l) => l.stays).map((l) => [l.key, l.stays])), {
		scissors: 'tooMuch',
		'spare buckle': 'tooMuch',
		'spare snap': 'tooMuch',
		tape: 'noUse',
		plasters: 'never'
	});
});

test('what an event forbids stays; what goes in any case is told when it is more than the limit; one’s own goes along', () => {
	const gate = choose(null, { rules: [NO_BLADE] });
	assert.equal(gate.lines.find((l) => l.key === 'scissors')!.stays, 'forbidden');
	const water = choose(300, { kept: [] });
	assert.ok(water.over && goes(water).join() === 'plasters');
	const own = choose(200, {
		kept: [
			kept('plasters', { takes: 'never' }),
			kept('own 1', { name: 'body tape', grams: 110, takes: 'always' })
		]
	});
	assert.ok(goes(own).includes('own 1') && own.grams <= 200 && !own.over);
	assert.ok(choose(null, { ml: 60 }).ml <= 60);
});

test('paint and glue of one component mend no other', () => {
	const other = chooseOfKit(
		[{ ...kit.find((k) => k.use === 'glue')!, componentIds: [1] }],
		looks.filter((l) => l.kind === 'seam cement'),
		{ limit: { grams: 500, ml: null }, kept: [], rules: [], faultsOf: () => [] }
	);
	assert.equal(other.saves, 0);
});

test('minutes that faults really cost pull the starting value: (40 × 3 + 100) ÷ 4', () => {
	assert.equal(minutesLost(40, [{ minutesLost: 100 }, { minutesLost: 0 }]), 55);
});
