import { z } from 'zod';
import { copiesOf } from '$core/facts/component.ts';
import { Absent, Refused, one } from '../db/rows.ts';
import { set } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { setNeed } from './need.ts';
import { insertStep, makeRoom } from './step.ts';

/** Units that filament is weighed in. */
const GRAMS: Record<string, number> = { g: 1, kg: 1000 };
/** More than two months at the machine is a slip. */
const MOST_MINUTES = 100_000;

export const printCommands = {
	/** A part that is printed: its print step waits for the machine, and the filament is a need. */
	planPrint: command(
		() =>
			z.object({
				componentId: f.id(),
				/** Of one copy. */
				parts: f.whole(1, 500),
				minutes: f.whole(1, MOST_MINUTES),
				grams: f.above0(1_000_000),
				materialId: f.idOrNull()
			}),
		async (tx, v, { costumeId }) => {
			const record = await loadRecord(tx, costumeId);
			const component = record?.components.find((c) => c.id === v.componentId);
			if (!record || !component) throw new Absent('component');
			const copies = copiesOf(component, new Map(record.components.map((c) => [c.id, c])));
			const its = record.steps.filter((s) => s.componentId === component.id);
			const step = its.find((s) => s.technique === 'printSetUp' && s.doneAt === null);
			const waitMinutes = v.minutes * copies;
			if (step) await set(tx, 'step', step.id, { amount: v.parts, waitMinutes });
			else {
				// After what is there to be checked and before what is finished: as the first of the making.
				const before = its.filter((s) => s.phase === 'pattern');
				const position = Math.max(-1, ...before.map((s) => s.position)) + 1;
				await makeRoom(tx, component.id, position);
				await insertStep(tx, {
					componentId: component.id,
					position,
					name: 'print',
					technique: 'printSetUp',
					phase: 'make',
					amount: v.parts,
					perCopy: true,
					waitMinutes,
					oneSitting: false,
					needsHelper: false,
					placeId: null
				});
			}
			if (v.materialId !== null) {
				const material = await one<{ unit: string }>(tx, 'select unit from material where id = $1', [
					v.materialId
				]);
				if (!material) throw new Absent('material');
				const grams = GRAMS[material.unit];
				if (!grams) throw new Refused('Choose a material that is counted in g or kg.', 'materialId');
				const quantity = (v.grams * copies) / grams;
				await setNeed(tx, component.id, v.materialId, quantity);
			}
			return { words: `Planned the print of ${component.code} ${component.name}` };
		}
	)
};
