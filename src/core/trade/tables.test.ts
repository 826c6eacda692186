import assert from 'node:assert/strict';
import { test } from 'node:test';
import { tagWords, KINDS } from '../facts/component.ts';
import { isRouteCoat, ROUTES, type Route } from './route.ts';
import { BASE_PER_UNIT, TECHNIQUES } from './technique.ts';
import { rateOf } from './rates.ts';
import { WEAVE_OF_FAMILY, WEAVES, weaveOf } from './weave.ts';
import { ZONES, zoneWords } from '../facts/zone.ts';
import { checkCoat, coatSteps } from '../answers/coatStack.ts';
import { COAT_PRODUCTS } from './coatProduct.ts';
import { cureSteps, KNOWN_FAULTS } from './knownFault.ts';
import { FAMILIES } from '../facts/material.ts';
import { CAUTIONS } from './caution.ts';
import { cautionsFor, STANDARD } from './catalogue.ts';
import { FORMULAS } from '../explain/formulas.ts';

/**
 * The tables of the trade, checked against the trade's own figures. Rates and coats are starting
 * values from memory; counts of coats, recoat windows and cures are common practice.
 */

test('starting rates, from memory: metres or square metres a minute, minutes each', () => {
	const perMinute: [keyof typeof TECHNIQUES, number][] = [
		['trace', 1],
		['cutFoam', 0.6],
		['bevel', 0.3],
		['cement', 0.25],
		['caulk', 0.4],
		['sewMachine', 0.5],
		['sewHand', 0.06],
		['bind', 0.15],
		['spray', 0.25],
		['brush', 0.02],
		['dryBrush', 0.05],
		['weft', 0.1]
	];
	for (const [key, speed] of perMinute) assert.ok(Math.abs(1 / TECHNIQUES[key].minutes - speed) < 1e-12, key);
	const each: [keyof typeof TECHNIQUES, number][] = [
		['heatShape', 3],
		['carveLine', 1.2],
		['hookAndLoop', 6],
		['snap', 3],
		['buckle', 15]
	];
	for (const [key, minutes] of each) assert.equal(TECHNIQUES[key].minutes, minutes, key);
});

test('every rate has three points in order, and an own one takes its place', () => {
	for (const [key, technique] of Object.entries(STANDARD.technique)) {
		const [low, usual, high] = rateOf(STANDARD, key);
		assert.ok(0 < low && low < usual && usual < high, key);
		assert.deepEqual(rateOf(STANDARD, key, { [key]: [1, 2, 3] }), [1, 2, 3]);
		assert.ok(BASE_PER_UNIT[technique.driver] > 0);
	}
});

test('coats: counts are common practice, waits and coverages from memory', () => {
	const table: [keyof typeof COAT_PRODUCTS, [number, number], number, number, number][] = [
		// product, thin coats, recoat minutes, hours before handling, m² a pack
		['rubberSpray', [3, 5], 30, 4, 1.2],
		['pva', [5, 8], 45, 8, 6],
		['flexibleSealer', [3, 5], 45, 24, 3],
		['fillerPrimer', [2, 3], 20, 2, 1.2],
		['acrylicSpray', [2, 4], 20, 2, 1.5],
		['brushedAcrylic', [2, 6], 30, 2, 0.5],
		['leafSize', [3, 4], 60, 12, 1],
		['clearSpray', [2, 2], 30, 24, 1.8]
	];
	for (const [key, coats, recoat, hours, covers] of table) {
		const p = COAT_PRODUCTS[key];
		assert.deepEqual(
			[p.coats, p.recoatMinutes, p.handlingMinutes / 60, p.coversMm2 / 1e6],
			[coats, recoat, hours, covers],
			key
		);
		assert.equal(p.withinMinutes, null, `${key} has no window`);
	}
	const { withinMinutes, orAfterMinutes, handlingMinutes } = COAT_PRODUCTS.enamelSpray;
	assert.deepEqual(
		[withinMinutes, orAfterMinutes, handlingMinutes],
		[60, 48 * 60, 24 * 60],
		'within 1 h or after 48 h: between, it wrinkles'
	);
});

test('coat steps: one a coat, each set out for, the last wait before handling', () => {
	for (const [product, p] of Object.entries(STANDARD.coatProduct))
		for (const coats of [1, 2, 5]) {
			const steps = coatSteps(
				{
					product,
					coats,
					area: 1e5,
					recoatMinutes: p.recoatMinutes,
					handlingMinutes: p.handlingMinutes
				},
				STANDARD
			);
			assert.equal(steps.length, coats);
			assert.equal(steps.at(-1)!.waitMinutes, p.handlingMinutes);
			assert.ok(steps.slice(0, -1).every((s) => s.waitMinutes === p.recoatMinutes));
			assert.deepEqual(
				steps.map((s) => s.setUpMinutes > 0),
				steps.map(() => p.how === 'spray')
			);
			assert.equal(steps[0]!.withinMinutes, null, 'nothing is below the first coat');
			assert.ok(steps.every((s) => s.needsSprayPlace === (p.how === 'spray')));
			assert.equal(new Set(steps.map((s) => s.name)).size, coats);
		}
});

test('when a coat may go on: every minute around both ends of the wait and of the window', () => {
	const enamel = { withinMinutes: 60, orAfterMinutes: 2880 };
	const at = (minute: number) => checkCoat(1000, 15, enamel, 1000 + minute)?.code ?? 'fine';
	assert.deepEqual(
		[at(0), at(14), at(15), at(60), at(61), at(2879), at(2880)],
		['coatTooEarly', 'coatTooEarly', 'fine', 'fine', 'coatForbidden', 'coatForbidden', 'fine']
	);
	const open = { withinMinutes: null, orAfterMinutes: null };
	assert.equal(checkCoat(1000, 30, open, 1029)?.code, 'coatTooEarly');
	assert.equal(checkCoat(1000, 30, open, 999_999), null, 'without a window, late is only late');
	assert.deepEqual(checkCoat(0, 5, { withinMinutes: 10, orAfterMinutes: null }, 20), {
		code: 'coatForbidden',
		since: 10,
		from: Infinity
	});
});

test('every route fits its kinds, has positive amounts, and its work can be cautioned about', () => {
	for (const [key, route] of Object.entries(ROUTES) as [string, Route][]) {
		assert.ok(route.kinds.length > 0 && route.kinds.every((k) => KINDS.includes(k)), key);
		assert.ok(route.area > 0, key);
		for (const entry of route.steps) {
			if (isRouteCoat(entry)) {
				const [least, most] = STANDARD.coatProduct[entry.product]!.coats;
				assert.ok(
					entry.coats >= 1 && entry.coats <= most,
					`${key}: ${entry.coats} × ${entry.product}, usual ${least} to ${most}`
				);
			} else {
				assert.ok(entry.amount > 0, `${key}: ${entry.name}`);
				assert.ok(entry.name.length > 0 && entry.waitMinutes >= 0);
				if (entry.phase === 'pattern')
					assert.equal(entry.perCopy, false, `${key}: a pattern serves both sides`);
			}
		}
	}
	const named = (key: keyof typeof ROUTES, words: string) =>
		(ROUTES[key] as Route).steps.find((s) => !isRouteCoat(s) && s.name === words) as Exclude<
			Route['steps'][number],
			{ product: unknown }
		>;
	assert.equal(named('foamPlate', 'join').oneSitting, true, 'contact cement is one sitting');
	assert.equal(named('foamPlate', 'join').waitMinutes, 24 * 60, 'contact cement: 24 h to full strength');
	assert.equal(named('foamPlate', 'fill seams').waitMinutes, 4 * 60, 'caulk: 4 h to paint');
	const dry = named('sculpted', 'smooth with water').waitMinutes / 1440;
	assert.ok(dry >= 1 && dry <= 3, 'sculpted work dries one to three days');
});

test('every known fault has a cause, a cure and steps; the unknown gets one to fill in', () => {
	const known = Object.values(STANDARD.knownFault);
	assert.equal(new Set(known.map((k) => `${k.symptom}: ${k.cause}`)).size, known.length);
	for (const k of known) {
		assert.ok(k.cause && k.cure && k.steps.length, k.symptom);
		for (const s of k.steps)
			assert.ok(s.amount > 0 && STANDARD.technique[s.technique], `${k.symptom}: ${s.name}`);
	}
	assert.ok(
		cureSteps(KNOWN_FAULTS.rustMarks, '')[0]!.name.includes('eyelets'),
		'the cause first, then the stain'
	);
	assert.deepEqual(
		cureSteps(null, ' oil it ').map((s) => s.name),
		['oil it']
	);
	assert.deepEqual(
		cureSteps(null, '').map((s) => s.name),
		['mend']
	);
});

test('cautions: what burns, fumes, cuts and dusts is named where it is used (common practice)', () => {
	assert.match(CAUTIONS.solvent.wear, /respirator/);
	assert.match(CAUTIONS.heat.do, /never a flame on PVC/i);
	assert.deepEqual(cautionsFor(STANDARD, 'spray'), ['solvent']);
	assert.deepEqual(cautionsFor(STANDARD, 'sand'), ['dust']);
	assert.deepEqual(cautionsFor(STANDARD, 'other'), []);
	for (const key of Object.keys(STANDARD.technique))
		for (const c of cautionsFor(STANDARD, key)) assert.ok(STANDARD.caution[c]!.do.length > 10, key);
});

test('zones come in left and right, and read as people say them', () => {
	for (const zone of ZONES) {
		const other = zone
			.replace(/left$/, 'X')
			.replace(/right$/, 'left')
			.replace(/X$/, 'right');
		assert.ok((ZONES as readonly string[]).includes(other), zone);
		assert.doesNotMatch(zoneWords(zone), /-/);
	}
	assert.equal(zoneWords('upper-arm-left'), 'left upper arm');
	assert.equal(zoneWords('back'), 'back');
});

test('every family and every component has a weave mark', () => {
	for (const family of FAMILIES) assert.ok(WEAVES.includes(WEAVE_OF_FAMILY[family]!), family);
	for (const kind of KINDS) assert.ok(WEAVES.includes(weaveOf({ kind, route: null })));
	assert.equal(weaveOf({ kind: 'armor', route: 'clothWrappedFoam' }), 'twill');
	assert.equal(weaveOf({ kind: 'prop', route: 'light' }), 'rays');
});

test('amounts on tags', () => {
	assert.equal(tagWords({ side: 'pair', count: 1 }), 'L+R');
	assert.equal(tagWords({ side: 'left', count: 5 }), 'L ×5');
	assert.equal(tagWords({ side: 'none', count: 1 }), '');
});

test('formulas: each by hand', () => {
	const f = (key: keyof typeof FORMULAS, ...values: number[]) => FORMULAS[key].compute(values);
	assert.equal(f('stepMinutes', 20, 0.15, 2, 4), 21);
	assert.equal(f('sum', 1, 2, 3), 6);
	assert.equal(f('sum'), 0);
	assert.equal(f('difference', 100, 30, 20), 50);
	assert.equal(f('packs', 3.5, 0.5, 1, 1), 2);
	assert.equal(f('cost', 3, 1390, 490), 4660);
	assert.equal(f('coatPacks', 0.15, 3, 2, 1.2), 0.75);
	assert.equal(f('daysLeft', 100, 64), 36);
	assert.equal(f('readyBy', 10_000, 2), 10_000 - 2880);
	assert.equal(f('finish', 100, 60), 160);
	assert.equal(f('product', 2, 3, 4), 24);
	assert.equal(f('seedSheets', 0.5, 2, 1.3, 0.65), 2);
	assert.ok(Math.abs(f('girthOver', 300, 2, 4) - (300 + 12 * Math.PI)) < 1e-9);
	assert.equal(f('reach', 200, 25, 30), 280);
	assert.equal(f('closureRange', 620, 700), 80);
	assert.ok(Math.abs(f('resizePercent', 780, 40, 1000) - 82) < 1e-9);
	assert.equal(f('scaledToWearer', 950, 1900, 1650), 825);
	assert.equal(f('planeLength', 0.5, 0, 0, 30, 40, 30, 100), 55);
	assert.equal(f('planeArea', 1, 0, 0, 30, 0, 30, 20, 0, 20), 600);
	assert.ok(Math.abs(f('planeAngle', 1, 10, 0, 0, 0, 0, 7) - 90) < 1e-9);
	assert.ok(Math.abs(f('planeCircle', 1, 10, 0, 0, 10, -10, 0) - 20) < 1e-9);
	assert.equal(f('planeHeads', 1800, 240), 7.5);
	assert.ok(Math.abs(f('weightedMean', 10, 1, 12, 2) - 10.4) < 1e-9);
});
