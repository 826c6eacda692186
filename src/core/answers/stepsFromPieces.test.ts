import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { CLOTH, followed, FRIDAY, near, NET, shapeOf } from '$tests/support/shapes.ts';
import { ROUTES } from '../trade/route.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { valueOf } from '../explain/figure.ts';
import { stepFigure } from '../explain/plan.ts';
import { piecesFigure } from '../explain/pieces.ts';
import { PLAIN_LAY } from '../facts/layout.ts';
import { cutFrom, type StoredShape } from '../facts/shape.ts';
import { applyOperations } from '../engines/pattern/operations.ts';
import { withAlternatives } from '../engines/schedule/triage.ts';
import { alternativesOf } from './alternatives.ts';
import { followPieces } from './followPieces.ts';
import { layGroups } from './layPieces.ts';
import { minutesOf } from './minutes.ts';
import { planCostume } from './plan.ts';
import { shapeFor } from './shapePieces.ts';
import { shoppingLines } from './shopping.ts';

/**
 * What a step takes of its pieces, and what a piece is cut from: each case is worked by hand from the values of a shape to what stands on the page.
 * Lengths in mm. Two edges are one seam, net is gathered with what it carries: common practice.
 */

test('a net skirt: gathered as long as it is cut, sewn on as long as its lines, nothing tacked that nobody counted', () => {
	const steps = followed(ROUTES.layeredSkirt, shapeOf('netSkirt', NET));
	near(steps.get('gather or pleat')!.amount, 2 * 3000, 'soft net is gathered with the structure net');
	near(steps.get('sew on, bottom up, alternating')!.amount, 2 * 1000);
	near(steps.get('cut layers')!.amount, 8 * 2 * (1500 + 100));
	assert.equal(steps.get('edge shapes')!.amount, 0, 'straight edges are cut by no template');
	// What pieces do not tell stays as it was, and is a guess.
	for (const [name, metres] of [
		['tack', 1],
		['base', 5],
		['hoop channel', 2],
		['mark layer lines', 12]
	] as const) {
		assert.equal(steps.get(name)!.amount, metres * 1000, name);
		assert.equal(steps.get(name)!.guessed, true, name);
	}
	assert.equal(steps.get('gather or pleat')!.guessed, false);

	const scalloped = followed(ROUTES.layeredSkirt, shapeOf('netSkirt', { ...NET, templates: 1 }));
	near(scalloped.get('edge shapes')!.amount, 2 * 2 * 3000, 'both nets of both layers');
});

test('from a net skirt’s values to the minutes on its page: 2 m sewn at half a metre a minute take 4', () => {
	const step = followed(ROUTES.layeredSkirt, shapeOf('netSkirt', NET)).get('sew on, bottom up, alternating')!;
	const component = make.component(1, { side: 'pair' });
	const record = make.record({ components: [component], steps: [step] });
	const figure = stepFigure(step, component, record, make.workshop());
	assert.equal(valueOf(figure), 8, 'for both of a pair');
	assert.equal(minutesOf(record, make.workshop()).get(step.id)![1], 8);
});

test('a woven skirt is hemmed along its hem and sewn along its seams; its waist counts whole', () => {
	const its = shapeOf('circleSkirt', {
		waist: 900,
		length: 500,
		part: 1,
		panels: 4,
		seam: 0,
		hem: 0,
		cloth: 4000
	});
	const steps = followed(ROUTES.wovenGarment, its);
	const hem = 2 * Math.PI * (900 / (2 * Math.PI) + 500);
	near(steps.get('hem')!.amount, hem);
	// Four sides, two edges each; the waist goes on a band that is no piece of it.
	near(steps.get('sew')!.amount, 4 * 500 + 900);
	assert.equal(steps.get('trim')!.amount, 1000);
	assert.equal(steps.get('line')!.amount, 8000);
	const done = shapeFor(its, {
		component: make.component(1),
		components: [],
		wearers: [],
		materials: [CLOTH]
	});
	assert.ok(done.ok);
	const figure = piecesFigure('seam', done.value.pieces, 'mm');
	near(valueOf(figure), 4 * 500 + 900);
	assert.deepEqual(figure.inputs.map((i) => [i.name, Math.round(i.value)]).sort(), [
		['“side”', 2000],
		['“waist”', 900]
	]);
});

test('what is sewn onto something else counts whole: flounce, cape, boning, cone; what is gathered as it is drawn in', () => {
	const seams = (shaper: string, values: Record<string, number>) => {
		const done = shapeFor(shapeOf(shaper, values), {
			component: make.component(1),
			components: [],
			wearers: [],
			materials: [CLOTH]
		});
		assert.ok(done.ok, shaper);
		return new Map(piecesFigure('seam', done.value.pieces, 'mm').inputs.map((i) => [i.name, i.value]));
	};
	near(seams('ruffle', { edge: 400, flare: 1.8, width: 90, widthEnd: 90, allowance: 13 }).get('“edge”'), 400);
	near(seams('cone', { girth: 188, height: 200, panels: 1, overlap: 0 }).get('“base”'), 188);
	// Channels are sewn down along both sides.
	const [bones, long] = [3, 400];
	const channels = { bones, first: long, last: long, bone: 6, room: 2, short: 8, seam: 6 };
	near(seams('boning', channels).get('“channel”'), 2 * bones * long);
	// Half a cape lies on the fold: unfolded it has the whole neck.
	const cape = { neck: 420, part: 0.5, length: 1000, back: 60, cut: 0, seam: 0, hem: 0 };
	near(seams('cape', cape).get('“neckline”'), 420);
	// 700 of edge at twice the fullness: 1,400 of cloth, joined at 700.
	const frill = seams('gathers', { edge: 700, fullness: 2, width: 150, seam: 0, hem: 0, cloth: 1500 });
	near(frill.get('“edge”'), 700);
	near(frill.get('“join”'), 150, 'one strip’s two ends are one join');
	// A kilt: three times the cloth, sewn to a band as wide as it is finished.
	near(
		seams('pleats', { finished: 720, kind: 0, count: 24, depth: 30, length: 500, seam: 0, hem: 0 }).get(
			'“band”'
		),
		720
	);
});

/** The case of the trade: structure net and two colours of soft net on one skirt, each bought for itself. */
test('a skirt of three nets: each is needed, laid and bought by what is cut from it', () => {
	const nets = [11, 12, 13].map((id) =>
		make.material(id, {
			family: 'cloth',
			unit: 'm',
			widthMm: 1510,
			packPriceMinor: [300, 200, 250][id - 11]!
		})
	);
	const its = {
		...shapeOf('netSkirt', { ...NET, layers: 4, colours: 2, templates: 1 }),
		materialId: 11,
		roles: { 'soft net A': 12, 'soft net B': 13 }
	};
	const component = make.component(1, { kind: 'garment' });
	const needs = nets.map((m) => ({ ...make.need(1, m.id, 1), id: m.id, waste: 1 }));
	const record = followPieces(make.record({ components: [component], needs }), {
		shapes: [its],
		wearers: [],
		materials: nets,
		trade: STANDARD
	});
	// Four layers of 3 m by 100 mm: 1.2 m² of structure net, with the card 180 × 60 mm less its scallops; half as much of each colour.
	const areaOf = (id: number) => record.needs.find((n) => n.materialId === id)!.quantity * 1.51;
	near(areaOf(12), 0.6);
	near(areaOf(13), 0.6);
	assert.ok(areaOf(11) > 1.2 && areaOf(11) < 1.22, String(areaOf(11)));
	const { groups, without } = layGroups([component], [its], [], nets, PLAIN_LAY);
	assert.equal(without, 0);
	assert.deepEqual(
		groups.map((g) => [g.material.id, g.pieces.filter((p) => p.name.startsWith('layer')).length]),
		[
			[11, 4],
			[12, 2],
			[13, 2]
		]
	);
	const lines = shoppingLines(record, make.workshop({ materials: nets }));
	// 0.81, 0.40 and 0.40 m, by whole metres.
	assert.deepEqual(
		lines.map((l) => [l.material.id, l.packsShort, l.costShortMinor]),
		[
			[11, 1, 300],
			[12, 1, 200],
			[13, 1, 250]
		]
	);
	// Cutting is done to all of it, gathering to what is handled by itself.
	const steps = followed(ROUTES.layeredSkirt, { ...its, materialId: 2, roles: {} });
	const split = followed(ROUTES.layeredSkirt, { ...its, materialId: 2 });
	for (const name of ['cut layers', 'gather or pleat', 'sew on, bottom up, alternating'])
		near(split.get(name)!.amount, steps.get(name)!.amount, name);
});

test('a piece is given a role by hand, keeps it when it is split, and a role without a material goes with the shape', () => {
	const its = {
		...shapeOf('flatPanel', { top: 200, bottom: 200, height: 100, corner: 0, allowance: 0 }),
		works: [{ kind: 'role', piece: 0, role: 'lining' }] as StoredShape['works']
	};
	const done = shapeFor(its, {
		component: make.component(1),
		components: [],
		wearers: [],
		materials: [CLOTH]
	});
	assert.ok(done.ok);
	const [piece] = done.value.pieces;
	assert.equal(piece!.role, 'lining');
	assert.deepEqual(cutFrom(its, piece!), { materialId: 2, layers: 1 });
	assert.deepEqual(cutFrom({ ...its, layers: 3, roles: { lining: 9 } }, piece!), {
		materialId: 9,
		layers: 1
	});
	const halves = applyOperations(
		[piece!],
		[{ kind: 'split', piece: 0, from: [0.5, 0], to: [0.5, 1], allowance: 0, marks: 0 }]
	);
	assert.ok(halves.ok && halves.value.length === 2 && halves.value.every((p) => p.role === 'lining'));
});

test('what weighs most in a simpler form: a skirt of twelve layers in eight, its minutes by what its pieces come to', () => {
	const its = shapeOf('netSkirt', { ...NET, layers: 12 });
	const steps = [...followed(ROUTES.layeredSkirt, its).values()];
	const record = make.record({
		components: [make.component(1, { kind: 'garment', lookNeed: 5 })],
		steps,
		needs: []
	});
	const workshop = make.workshop({ materials: [CLOTH] });
	const plan = planCostume(record, workshop, FRIDAY, new Map());
	const all = alternativesOf(record, plan, workshop, [], new Map(), FRIDAY, { shapes: [its], wearers: [] });
	const forms = all.filter((a) => a.shapeId !== null);
	assert.deepEqual(
		forms.map((a) => a.words),
		['in 8 layers instead of 12', 'in 6 layers instead of 12']
	);
	const [eight, six] = forms as [(typeof forms)[number], (typeof forms)[number]];
	// A third of what is cut, gathered and sewn on: 12 layers of 3 m gathered at 3 min a metre is 108 min, and so on.
	const usual = (name: string) => plan.left.get(steps.find((s) => s.name === name)!.id)!;
	const third = ['cut layers', 'gather or pleat', 'sew on, bottom up, alternating'].reduce(
		(sum, name) => sum + usual(name) / 3,
		0
	);
	assert.equal(usual('gather or pleat'), 108);
	assert.ok(Math.abs(eight.minutes - third) <= 2, `${eight.minutes}, not ${third}`);
	assert.ok(six.minutes > eight.minutes && six.loss > eight.loss);
	near(eight.loss, 0.6 / 3);
	assert.ok(eight.instead.includes(six.id) && eight.instead.includes('drop 1'), 'one of them at most');
	const changed = withAlternatives(plan.problem, [eight]);
	assert.equal(changed.steps.length, plan.problem.steps.length);
	const gather = String(steps.find((s) => s.name === 'gather or pleat')!.id);
	assert.equal(changed.steps.find((s) => s.id === gather)!.minutes[1], 72);
	// And a way forward in hours: an evening on which the maker works.
	assert.ok(all.some((a) => a.words === 'a helper on Monday evenings, 18:00 to 21:00'));
});
