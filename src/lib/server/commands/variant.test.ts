import assert from 'node:assert/strict';
import { test } from 'node:test';
import { add, costume, NEW_COSTUME, refused, w } from '$tests/support/oneCostume.ts';
import { COMPONENT } from '$tests/support/workshop.ts';
import { dressed } from '../dress.ts';
import { loadVariants, loadWear } from '../read/wear.ts';
import { Absent } from '../db/rows.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { preparationCommands } from './preparation.ts';
import { rehearsalCommands } from './rehearsal.ts';
import { variantCommands } from './variant.ts';
import { wornAs } from '$core/answers/variant.ts';
import { loadRecord } from '../read/costume.ts';

const addVariant = (name: string) =>
	w.run(variantCommands.addVariant, { name }, costume) as Promise<{ id: number }>;
const wearIn = (id: number, componentId: number, on: boolean) =>
	w.run(
		variantCommands.wearIn,
		{ id: String(id), componentId: String(componentId), ...(on ? { on: 'on' } : {}) },
		costume
	);

test('a way to wear it leaves components off, twice is once, and removing a component or the way takes it along', async () => {
	const helm = await add({ name: 'Helm', route: '' });
	const wig = await add({ name: 'Wig', route: '', kind: 'wig' });
	const { id } = await addVariant('with wig');
	await assert.rejects(addVariant('With Wig'), refused(/such a way/));
	await wearIn(id, helm, false);
	await wearIn(id, helm, false);
	const found = async () => (await loadVariants(w.db, costume)).find((v) => v.id === id);
	assert.deepEqual((await found())!.without, [helm]);
	await wearIn(id, wig, false);
	await wearIn(id, wig, true);
	assert.deepEqual((await found())!.without, [helm]);
	await w.run(componentCommands.removeComponent, { id: String(helm) }, costume);
	assert.deepEqual((await found())!.without, []);
	await assert.rejects(wearIn(id, 999_999, false), Absent);

	await w.run(
		preparationCommands.addPreparation,
		{
			name: 'Wig glue',
			zones: ['head'],
			minutes: '5',
			waitMinutes: '0',
			hands: '1',
			variantId: String(id)
		},
		costume
	);
	await w.run(variantCommands.removeVariant, { id: String(id) }, costume);
	assert.equal(await found(), undefined);
	const { preparations } = await loadWear(w.db, costume);
	assert.deepEqual(
		preparations.map((p) => [p.name, p.variantId]),
		[['Wig glue', null]],
		'what is put on the skin stays'
	);
	await w.run(preparationCommands.removePreparation, { id: String(preparations[0]!.id) }, costume);
});

test('a way of another costume is not there for this one', async () => {
	const other = await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Other' });
	const { id } = (await w.run(variantCommands.addVariant, { name: 'plain' }, other.id)) as {
		id: number;
	};
	await assert.rejects(wearIn(id, 1, false), Absent);
	const paint = { name: 'Paint', zones: ['face'], minutes: '5', waitMinutes: '0', hands: '1' };
	await assert.rejects(
		w.run(preparationCommands.addPreparation, { ...paint, variantId: String(id) }, costume),
		Absent
	);
	await assert.rejects(
		w.run(
			rehearsalCommands.logRehearsal,
			{
				dressers: '1',
				variantId: String(id),
				minutes: '5',
				times: '[{"componentId":1,"preparationId":null,"minutes":5}]'
			},
			costume
		),
		Absent
	);
});

test('worked by hand from the clock to the plan: a coat of 2 min that took 3 is 2.57; without the cape it is that alone; and back', async () => {
	const { id } = await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Rehearsed' });
	const its = id;
	const garment = async (name: string, zone: string) =>
		(
			await w.run(
				componentCommands.addComponent,
				{ ...COMPONENT, kind: 'garment', route: '', name, zones: [zone] },
				its
			)
		).id;
	const coat = await garment('Coat', 'chest');
	const cape = await garment('Cape', 'back');
	const { id: bare } = (await w.run(variantCommands.addVariant, { name: 'bare' }, its)) as { id: number };
	await w.run(variantCommands.wearIn, { id: String(bare), componentId: String(cape) }, its);
	const minutes = async (variantId: number | null) => {
		const wear = await loadWear(w.db, id);
		const variant = wear.variants.find((v) => v.id === variantId) ?? null;
		const as = wornAs(variant, (await loadRecord(w.db, id))!.components, wear);
		return dressed(as.components, as.wear).plans[0]!.minutes;
	};
	// Two garments of two minutes each, by their kind.
	assert.deepEqual([await minutes(null), await minutes(bare)], [4, 2]);
	const times = JSON.stringify([
		{ componentId: coat, preparationId: null, minutes: 3 },
		{ componentId: 999_999, preparationId: null, minutes: 9 }
	]);
	await w.run(
		rehearsalCommands.logRehearsal,
		{ dressers: '1', variantId: String(bare), minutes: '3', times },
		its
	);
	assert.ok(Math.abs((await minutes(null)) - 4.575) < 0.001);
	assert.ok(Math.abs((await minutes(bare)) - 2.575) < 0.001);
	const { rehearsals } = await loadWear(w.db, id);
	assert.deepEqual(rehearsals[0]!.times, [{ componentId: coat, preparationId: null, minutes: 3 }]);
	for (const [wrong, words] of [
		['[]', /Nothing of this costume/],
		['[{"componentId":999999,"preparationId":null,"minutes":1}]', /Nothing of this costume/]
	] as const)
		await assert.rejects(
			w.run(
				rehearsalCommands.logRehearsal,
				{ dressers: '1', variantId: '', minutes: '3', times: wrong },
				its
			),
			refused(words)
		);
	await w.run(rehearsalCommands.removeRehearsal, { id: String(rehearsals[0]!.id) }, its);
	assert.equal(await minutes(bare), 2);
});
