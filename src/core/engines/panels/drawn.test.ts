import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ADULT } from '$tests/support/adult.ts';
import { panelPlan, type PanelPlan } from '../../facts/panelPlan.ts';
import { drawnOn, withCornerAt, withDart, withPanel } from './drawn.ts';
import { panelsFlat } from './panels.ts';
import { PANEL_PRESETS } from './presets.ts';
import { skinOf } from './surface.ts';

const SKIN = skinOf(ADULT, 'trunk', null, 10);
const NOTHING: PanelPlan = { limb: 'trunk', panels: [], darts: [], ease: [], fold: false };
type Corners = PanelPlan['panels'][number]['points'];
const told = (corners: Corners) => corners.map((p) => [p.level, p.turn, p.runs]);

/** From the middle of the front to the left side and down: along a level, upright, and back the shortest way. */
const drawn = (['shortest', 'level', 'upright', 'level'] as const).reduce<Corners>(
	(corners, run, i) =>
		drawnOn(corners, [{ level: 4.004, turn: 91.2 }, { level: 4.31, turn: 20.1 }, { level: 6.2, turn: 33 }, { level: 5.5, turn: 89 }][i]!, run), // prettier-ignore
	[]
);

test('lines are drawn along a level, upright, or the shortest way; turns go on the shorter way', () => {
	assert.deepEqual(told(drawn), [
		[4, 91, 'even'],
		[4, 20, 'even'],
		[6.2, 20, 'even'],
		[6.2, 89, 'shortest']
	]);
	const back = drawnOn(drawnOn([], { level: 4, turn: 350 }, 'shortest'), { level: 4, turn: 5 }, 'shortest');
	assert.deepEqual(told(back), [
		[4, 350, 'shortest'],
		[4, 365, 'shortest']
	]);
});

test('what is drawn beside the middle is mirrored: both meet there in one seam; across the middle it is not', () => {
	const both = withPanel(NOTHING, drawn, true)!;
	assert.deepEqual(
		both.panels.map((p) => p.name),
		['panel 1, left', 'panel 1, right']
	);
	assert.ok(panelPlan.safeParse(both).success);
	// Its corners at 91 and 89 lie on the middle.
	assert.deepEqual(
		both.panels[0]!.points.map((p) => p.turn),
		[90, 20, 20, 90]
	);
	assert.deepEqual(both.panels[1]!.points.map((p) => p.turn).toSorted(), [160, 160, 90, 90].toSorted());
	const flat = panelsFlat(SKIN, both, 0.1);
	assert.ok(flat.ok);
	assert.equal(flat.value.pieces.length, 2);
	assert.equal(flat.value.seams.length, 1);
	const across = drawnOn(drawn, { level: 5, turn: 120 }, 'shortest');
	assert.equal(withPanel(NOTHING, across, true), null);
	assert.equal(withPanel(NOTHING, across, false)!.panels.length, 1);
	// On the back of the right side.
	const right = withPanel(
		NOTHING,
		drawn.map((p) => ({ ...p, turn: p.turn + 140 })),
		true
	)!;
	assert.equal(right.panels[0]!.name, 'panel 1, right');
});

test('a dart is drawn into the panel where its tip lies, from the border nearest; outside of all it is nothing', () => {
	const { plan } = PANEL_PRESETS.breastplateTwo;
	const dart = withDart(SKIN, plan, { level: 6, turn: 400.2 }, { level: 5, turn: 55.1 })!;
	assert.deepEqual(dart.darts, [{ panel: 0, from: { level: 6, turn: 40 }, tip: { level: 5, turn: 55 } }]);
	// The back plate's turns are below 0.
	const back = withDart(SKIN, plan, { level: 6, turn: 270 }, { level: 5, turn: 280 })!;
	assert.deepEqual(back.darts[0], { panel: 1, from: { level: 6, turn: -90 }, tip: { level: 5, turn: -80 } });
	assert.equal(withDart(SKIN, plan, { level: 0, turn: 90 }, { level: 0.5, turn: 90 }), null);
	const [before, after] = [plan, dart].map((its) => {
		const done = panelsFlat(SKIN, its, 0.03);
		assert.ok(done.ok);
		return done.value.seamLength;
	}) as [number, number];
	assert.ok(after > before + 60, `${after} against ${before}`);
});

test('a corner moved takes along those that lie in the same place, a whole turn apart too', () => {
	const { plan } = PANEL_PRESETS.breastplateTwo;
	const [front, back] = plan.panels as [PanelPlan['panels'][number], PanelPlan['panels'][number]];
	const corner = front.points.findIndex((p) => p.level === 6 && p.turn === 180);
	const meets = back.points.findIndex((p) => p.level === 6 && (p.turn + 720) % 360 === 180);
	assert.ok(corner >= 0 && meets >= 0);
	const moved = withCornerAt(plan, 0, corner, { level: 6.2, turn: 176 });
	assert.deepEqual(
		[moved.panels[0]!.points[corner]!.level, moved.panels[0]!.points[corner]!.turn],
		[6.2, 176]
	);
	assert.deepEqual(
		[moved.panels[1]!.points[meets]!.level, (moved.panels[1]!.points[meets]!.turn + 720) % 360],
		[6.2, 176]
	);
	const flat = panelsFlat(SKIN, moved, 0.1);
	assert.ok(flat.ok && flat.value.seams.length > 0);
});
