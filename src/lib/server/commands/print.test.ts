import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { COSTUME, COMPONENT, testWorkshop, type TestWorkshop } from '$tests/support/workshop.ts';
import { loadRecord } from '../read/costume.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { materialCommands } from './material.ts';
import { printCommands } from './print.ts';

let w: TestWorkshop;
let costume: number;
let horn: string;
const plan = (values: Record<string, unknown>) =>
	w.run(printCommands.planPrint, { componentId: horn, materialId: '', ...values }, costume);
const record = async () => (await loadRecord(w.db, costume))!;
const material = async (name: string, unit: string) => {
	await w.run(materialCommands.addMaterial, {
		name,
		family: 'hard',
		unit,
		packSize: '1',
		packPriceMinor: '20',
		supplier: '',
		leadDays: '3',
		stash: '0',
		stashNote: ''
	});
	return String((await loadWorkshop(w.db)).materials.find((m) => m.name === name)!.id);
};

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (await w.run<{ id: number }>(costumeCommands.addCostume, COSTUME)).id;
	horn = String(
		(
			await w.run<{ id: number }>(
				componentCommands.addComponent,
				{ ...COMPONENT, name: 'Horns', side: 'pair' },
				costume
			)
		).id
	);
});
after(() => w.close());

test('a planned print is a step that waits for the machine and a need of filament, for both of a pair', async () => {
	const kg = await material('Print filament, grey', 'kg');
	await plan({ parts: '2', minutes: '300', grams: '150', materialId: kg });
	const { steps, needs } = await record();
	const step = steps.find((s) => s.technique === 'printSetUp')!;
	assert.deepEqual([step.amount, step.waitMinutes, step.phase], [2, 600, 'make']);
	assert.equal(needs.find((n) => n.materialId === Number(kg))!.quantity, 0.3);
	// Once more with other sizes: the same step and need, not new ones.
	await plan({ parts: '1', minutes: '100', grams: '200', materialId: kg });
	const again = await record();
	assert.deepEqual(
		again.steps.filter((s) => s.technique === 'printSetUp').map((s) => [s.id, s.amount, s.waitMinutes]),
		[[step.id, 1, 200]]
	);
	assert.deepEqual(
		again.needs.map((n) => n.quantity),
		[0.4]
	);
	await w.undoLast();
	assert.equal((await record()).needs[0]!.quantity, 0.3);
});

test('filament that is counted in pieces is refused at its field, and nothing is kept', async () => {
	const roll = await material('Print filament, by the roll', 'roll');
	const before = await record();
	await assert.rejects(
		plan({ parts: '1', minutes: '10', grams: '10', materialId: roll }),
		/counted in g or kg/
	);
	assert.deepEqual(await record(), before);
});
