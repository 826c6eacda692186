import pluralize from 'pluralize';
import { z } from 'zod';
import { inOrder } from '$core/facts/order.ts';
import { Absent, Refused } from '../db/rows.ts';
import { loadRecord } from '../read/costume.ts';
import { command } from './command.ts';
import * as f from './fields.ts';
import { endOfSteps, insertStep, makeRoom } from './step.ts';

/** Work that a face is prepared for. */
const GLUED_BY = new Set(['cement', 'stack', 'hookAndLoop', 'buckle', 'magnet', 'attach', 'stretchOn']);

export const glueCommands = {
	/** Prepares a component for a pair as the handbook says: its steps come before the first that is glued, each once. */
	prepareJoint: command(
		({ trade }) => z.object({ componentId: f.id(), bond: f.keyOf(trade.bond) }),
		async (tx, v, { costumeId, trade }) => {
			const record = await loadRecord(tx, costumeId);
			const component = record?.components.find((c) => c.id === v.componentId);
			if (!record || !component) throw new Absent('component');
			const bond = trade.bond[v.bond]!;
			const steps = inOrder(record.steps, component.id);
			const open = bond.steps.filter((p) => !steps.some((s) => s.name === p.name && s.doneAt === null));
			if (!open.length)
				throw new Refused(
					bond.steps.length
						? `${component.code} has these steps already.`
						: `Nothing has to be prepared for ${bond.name}.`,
					'componentId'
				);
			const before =
				steps.find((s) => s.doneAt === null && GLUED_BY.has(s.technique)) ??
				steps.find((s) => s.doneAt === null && (s.phase === 'rig' || s.phase === 'fit'));
			let position = before?.position ?? (await endOfSteps(tx, component.id));
			for (const step of open) {
				await makeRoom(tx, component.id, position);
				await insertStep(tx, {
					...step,
					componentId: component.id,
					position: position++,
					phase: before?.phase ?? 'make',
					guessed: true,
					guess: step.amount,
					perCopy: true
				});
			}
			return { words: `${component.code} is prepared for glue: ${pluralize('step', open.length, true)}` };
		}
	)
};
