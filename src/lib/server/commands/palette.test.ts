import assert from 'node:assert/strict';
import { test } from 'node:test';
import { absent, add, costume, NEW_COSTUME, record, refused, said, w } from '$tests/support/oneCostume.ts';
import { COMPONENT, MATERIAL } from '$tests/support/workshop.ts';
import { parseColour } from '$core/engines/colour/lab.ts';
import { lastAction, undo } from '../db/undo.ts';
import { loadMaterials } from '../read/workshop.ts';
import { coatCommands } from './coat.ts';
import { componentCommands } from './component.ts';
import { costumeCommands } from './costume.ts';
import { materialCommands } from './material.ts';
import { paletteCommands } from './palette.ts';

const colour = (values: Record<string, unknown> = {}) =>
	w.run(
		paletteCommands.addColour,
		{ name: 'Old brass', lab: '#b99446', note: '', picked: 'null', componentIds: [], ...values },
		costume
	);
const paint = async (name: string, looks: string) =>
	(
		await w.run(materialCommands.addMaterial, {
			...MATERIAL,
			name,
			family: 'paint',
			unit: 'tube',
			coatProduct: 'brushedAcrylic',
			lab: looks
		})
	).id;
const its = async (id: number) => (await record()).palette.find((c) => c.id === id)!;

test('a colour is added for parts, changed, and taken back', async () => {
	const [plate, greave] = [await add({ name: 'Plate' }), await add({ name: 'Greave' })];
	const { id } = await colour({ componentIds: [String(plate)] });
	assert.equal(await said(), 'Added Old brass to the palette');
	assert.deepEqual((await its(id)).lab, parseColour('#b99446'));
	assert.deepEqual((await its(id)).componentIds, [plate]);
	const edit = async (values: Record<string, unknown>) =>
		w.run(
			paletteCommands.editColour,
			{
				id: String(id),
				version: String((await its(id)).version),
				name: 'Brass',
				note: '',
				lab: '#b99446',
				componentIds: [],
				...values
			},
			costume
		);
	await edit({ componentIds: [String(greave), String(plate)] });
	assert.deepEqual([...(await its(id)).componentIds].sort(), [plate, greave].sort());
	await edit({ lab: '60 5 45', componentIds: [String(greave)] });
	assert.deepEqual([(await its(id)).lab, (await its(id)).componentIds], [[60, 5, 45], [greave]]);
	await undo(w.db, lastAction);
	assert.deepEqual((await its(id)).lab, parseColour('#b99446'));
	await w.run(paletteCommands.removeColour, { id: String(id) }, costume);
	assert.equal(await its(id), undefined);
	await undo(w.db, lastAction);
	assert.equal((await its(id)).componentIds.length, 2);
});

test('a colour that cannot be read is told at its field', async () => {
	for (const lab of ['brass', '140 0 0', '50 0', '#12345']) {
		const input = paletteCommands.addColour
			.input({} as never)
			.safeParse({ name: 'x', lab, note: '', picked: 'null' });
		assert.deepEqual(
			input.error?.issues.map((i) => [i.path.join(), i.message.slice(0, 11)]),
			[['lab', 'A colour is']],
			lab
		);
	}
});

test('a mix is kept in drops of paints that are there, and goes when another colour is typed', async () => {
	const [ochre, blue] = [await paint('ochre', '#c08a3a'), await paint('deep blue', '#24366f')];
	const { id } = await colour({ name: 'Olive' });
	const keep = (mix: object) =>
		w.run(paletteCommands.keepMix, { id: String(id), mix: JSON.stringify(mix) }, costume);
	await keep([
		{ materialId: ochre, drops: 5 },
		{ materialId: blue, drops: 1 }
	]);
	assert.equal(await said(), 'Olive: 5 drops of ochre, 1 drop of deep blue');
	assert.deepEqual((await its(id)).mix, [
		{ materialId: ochre, drops: 5 },
		{ materialId: blue, drops: 1 }
	]);
	await assert.rejects(
		keep([
			{ materialId: ochre, drops: 5 },
			{ materialId: ochre, drops: 1 }
		]),
		refused(/twice/)
	);
	await assert.rejects(keep([{ materialId: 9999, drops: 5 }]), absent);
	const { version } = await its(id);
	const edit = { id: String(id), version: String(version), name: 'Olive', note: '', componentIds: [] };
	await w.run(paletteCommands.editColour, { ...edit, lab: '#445533' }, costume);
	assert.deepEqual((await its(id)).mix, []);
});

test('parts and pictures of another costume are not there for a colour', async () => {
	const other = (await w.run(costumeCommands.addCostume, { ...NEW_COSTUME, name: 'Other' })).id;
	const foreign = (
		await w.run(componentCommands.addComponent, { ...COMPONENT, name: 'Belt', route: '' }, other)
	).id;
	await assert.rejects(colour({ componentIds: [String(foreign)] }), absent);
	const picked = { pictureId: 77, centre: [1, 2], radius: 3, neutral: null, spread: 1 };
	await assert.rejects(colour({ picked: JSON.stringify(picked) }), absent);
	const { id } = await colour({ name: 'Ours' });
	await assert.rejects(w.run(paletteCommands.removeColour, { id: String(id) }, other), absent);
});

test('coats keep the only paint there is of their product when another colour of it comes', async () => {
	const plate = await add({ name: 'Shield' });
	await w.run(
		coatCommands.addCoat,
		{
			componentId: String(plate),
			product: 'fabricPaint',
			coats: '2',
			area: '0.2 m2',
			recoatMinutes: '',
			handlingMinutes: '',
			materialId: ''
		},
		costume
	);
	const add_ = (name: string) =>
		w.run(materialCommands.addMaterial, {
			...MATERIAL,
			name,
			family: 'paint',
			unit: 'tube',
			coatProduct: 'fabricPaint',
			lab: ''
		});
	const red = (await add_('red fabric paint')).id;
	const coat = async () => (await record()).coats.find((c) => c.componentId === plate)!;
	assert.equal((await coat()).materialId, null);
	await add_('black fabric paint');
	assert.equal((await coat()).materialId, red);
	assert.equal((await loadMaterials(w.db)).find((m) => m.id === red)!.lab, null);
});
