import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { fittedOf } from '$core/facts/measureRecord.ts';
import { PANEL_PRESETS } from '$core/engines/panels/presets.ts';
import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
import { shapeFor } from '$core/answers/shapePieces.ts';
import { COMPONENT, COSTUME, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { readCostumeZip, writeCostumeZip } from '../costumeFile.ts';
import { loadMeasure } from '../read/measure.ts';
import { loadRecord } from '../read/costume.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import type { Command } from './command.ts';
import { panelCommands } from './panels.ts';
import { shapeCommands } from './shape.ts';
import { wearerCommands } from './wearer.ts';

let w: TestWorkshop;
let costume: number;
let plate: string;
const run = (cmd: Command, values: Record<string, unknown>) => w.run<{ id: number }>(cmd, values, costume);
const PANELS = {
	name: '',
	note: '',
	materialId: '',
	ease: '6 cm',
	thickness: '6 mm',
	gives: '5',
	panels: JSON.stringify(PANEL_PRESETS.backPlate.plan)
};
const kept = async () => (await loadMeasure(w.db, costume)).shapes.find((s) => s.panels)!;
/** How wide the piece is, mm. */
async function wide(): Promise<number> {
	const [fit, record] = await Promise.all([loadMeasure(w.db, costume), loadRecord(w.db, costume)]);
	const done = shapeFor(await kept(), {
		component: record!.components[0]!,
		components: record!.components,
		wearers: fittedOf(fit),
		materials: []
	});
	assert.ok(done.ok);
	const box = boxOf(flatten(done.value.pieces[0]!.outline).points);
	return box.right - box.left;
}
const measure = async (mm: string) => {
	const [wearer] = (await loadMeasure(w.db, costume)).worn;
	await run(wearerCommands.takeMeasures, {
		wearerId: String(wearer!.wearerId),
		takenOn: '2031-04-28',
		over: 'skin',
		note: '',
		chestGirth: mm
	});
};

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (await w.run<{ id: number }>(costumeCommands.addCostume, COSTUME)).id;
	plate = String((await run(componentCommands.addComponent, { ...COMPONENT, name: 'Back plate' })).id);
	await run(wearerCommands.addWearer, { name: 'Ash', note: '' });
});
after(() => w.close());

test('panels are kept, follow a new measure, are changed, and each of it is undone', async () => {
	const { id } = await run(panelCommands.addPanels, { componentId: plate, ...PANELS });
	const shape = await kept();
	assert.deepEqual(shape.values, { ease: 60, thickness: 6, gives: 5 });
	assert.deepEqual(shape.panels, PANEL_PRESETS.backPlate.plan);
	await measure('95 cm');
	const narrow = await wide();
	await measure('105 cm');
	// Half of 100 mm farther round lies in the back; the rest of the form keeps its girths.
	assert.ok((await wide()) > narrow + 20 && (await wide()) < narrow + 60, `${narrow} ${await wide()}`);
	await w.undoLast();
	assert.equal(await wide(), narrow);
	await run(panelCommands.editPanels, {
		...PANELS,
		id: String(id),
		version: String(shape.version),
		ease: '12 cm'
	});
	assert.ok((await wide()) > narrow + 15);
	await w.undoLast();
	assert.equal(await wide(), narrow);
});

test('panels go along in the costume’s file as they are', async () => {
	const { file } = readCostumeZip(await writeCostumeZip(w.db, costume, await loadWorkshop(w.db)));
	assert.deepEqual(
		file.shapes.map((s) => s.panels),
		[PANEL_PRESETS.backPlate.plan]
	);
});

test('what is none is refused in words, and nothing of it is kept', async () => {
	const errors = (values: Record<string, unknown>) =>
		w.errors(panelCommands.addPanels, { componentId: plate, ...PANELS, ...values }, costume);
	assert.match((await errors({ panels: 'nonsense' })).panels ?? '', /cannot be read/);
	assert.ok((await errors({ panels: '{"limb":"tail"}' })).panels);
	assert.match((await errors({ ease: '3 m' })).ease ?? '', /either way/);
	assert.ok((await errors({ gives: '99' })).gives);
	const crossed = { limb: 'trunk', darts: [], panels: [{ name: 'odd', points: [[4, 20], [6, 120], [6, 20], [4, 120]].map(([level, turn]) => ({ level, turn, runs: 'even' })) }] }; // prettier-ignore
	await assert.rejects(
		run(panelCommands.addPanels, { componentId: plate, ...PANELS, panels: JSON.stringify(crossed) }),
		/odd crosses itself/
	);
	const shape = await kept();
	const at = { id: String(shape.id), version: String(shape.version) };
	await assert.rejects(
		run(shapeCommands.editShape, {
			...at,
			shaper: 'flatPanel',
			name: '',
			note: '',
			materialId: '',
			'value.top': '10',
			'value.bottom': '10',
			'value.height': '10',
			'value.corner': '0',
			'value.allowance': '0'
		}),
		/Panels stay panels/
	);
	assert.equal((await loadMeasure(w.db, costume)).shapes.length, 1);
});
