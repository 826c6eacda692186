import { z } from 'zod';
import { lightParts, type LightPart } from '$core/answers/lightParts.ts';
import { copiesOf } from '$core/facts/component.ts';
import type { KeptCircuit } from '$core/facts/wear.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { circuitFields, circuitFrom } from '../light.ts';
import { loadWear } from '../read/wear.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { recordOf, setWearing } from './join.ts';
import { insertMaterial } from './material.ts';

/** What is bought as such a part, where there is one. */
const materialOf = async (tx: Executor, { material }: LightPart): Promise<number | null> =>
	(
		await one<{ id: number }>(
			tx,
			`select id from material where family = 'light' and lower(name) = lower($1) order by id limit 1`,
			[material]
		)
	)?.id ?? null;

/** A new one, whose price is said later. */
const insertPart = (tx: Executor, { material }: LightPart, { settings }: Context): Promise<number> =>
	insertMaterial(tx, {
		name: material,
		family: 'light',
		unit: 'piece',
		packSize: 1,
		supply: null,
		currency: settings.currency
	});

/** A component has another circuit, or none: what it is made of is needed for all copies, and what the last one was is not. */
async function setCircuit(tx: Executor, componentId: number, circuit: KeptCircuit | null, context: Context) {
	const record = await recordOf(tx, context);
	const component = record.components.find((c) => c.id === componentId);
	if (!component) throw new Absent('component');
	const last = (await loadWear(tx, context.costumeId)).wearings.find((w) => w.componentId === componentId);
	const copies = copiesOf(component, new Map(record.components.map((c) => [c.id, c])));
	const parts = circuit ? lightParts(circuit) : [];
	const needOf = (materialId: number | null) =>
		record.needs.find((n) => n.componentId === componentId && n.materialId === materialId);
	for (const part of last?.circuit ? lightParts(last.circuit) : []) {
		const need = needOf(await materialOf(tx, part));
		// What somebody has changed since is theirs.
		if (need?.quantity === part.count * copies && !parts.some((p) => p.material === part.material))
			await tx.query('delete from need where id = $1', [need.id]);
	}
	for (const part of parts) {
		const materialId = (await materialOf(tx, part)) ?? (await insertPart(tx, part, context));
		const need = needOf(materialId);
		if (need) await set(tx, 'need', need.id, { quantity: part.count * copies, guessed: false });
		else await insert(tx, 'need', { componentId, materialId, quantity: part.count * copies });
	}
	await setWearing(tx, componentId, { circuit }, context);
	return component;
}

export const lightCommands = {
	/** The circuit is kept with its component: its parts are needed, its cells weigh. */
	keepLight: command(
		() => z.object({ componentId: f.id(), ...circuitFields }),
		async (tx, { componentId, ...typed }, context) => {
			const circuit = circuitFrom(typed);
			if (!lightParts(circuit).length) throw new Refused('It does not light: nothing is kept.', 'leds');
			const { code } = await setCircuit(tx, componentId, circuit, context);
			return { words: `${code} is lit: its parts are under Buy` };
		}
	),

	dropLight: command(
		() => z.object({ componentId: f.id() }),
		async (tx, { componentId }, context) => {
			const { code } = await setCircuit(tx, componentId, null, context);
			return { words: `${code} is not lit any more` };
		}
	)
};
