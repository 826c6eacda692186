import { z } from 'zod';
import { CLEAR_KEYS, CLEARS } from '$core/trade/fittingCheck.ts';
import type { MoveCheck } from '$core/facts/wear.ts';
import { insert, set } from '../db/tables.ts';
import { loadWear } from '../read/wear.ts';
import { command } from './command.ts';
import { faultCommands } from './fault.ts';
import * as f from './fields.ts';

export const movingCommands = {
	/** Widths, what its wearer sees through, and how long it is worn at a stretch; nothing typed is not known. */
	setMoving: command(
		({ settings: { lengthUnit } }) =>
			z.object({
				wideMm: f.lengthOrNull(lengthUnit, 1, 20_000),
				hipsMm: f.lengthOrNull(lengthUnit, 1, 20_000),
				openingWideMm: f.lengthOrNull(lengthUnit, 1, 2000),
				openingHighMm: f.lengthOrNull(lengthUnit, 1, 2000),
				eyeMm: f.lengthOrNull(lengthUnit, 1, 1000),
				onMinutes: f.orNull(f.above0(1000)),
				restMinutes: f.orNull(f.above0(1000))
			}),
		async (tx, v, { costumeId }) => {
			const { moving } = await loadWear(tx, costumeId);
			if (moving) await set(tx, 'moving', moving.id, v);
			else await insert(tx, 'moving', { ...v, costumeId });
			return { words: 'Measured how it is moved in' };
		}
	),

	/** A movement was tried. What does not work and is of a component is a fault of it: Mend has it, with its cure to plan. */
	tryMove: command(
		() =>
			z.object({ move: f.choice(CLEAR_KEYS), works: f.ticked(), componentId: f.idOrNull(), note: f.text() }),
		async (tx, { move, works, componentId, note }, context) => {
			const { words } = CLEARS.find((c) => c.key === move)!;
			const [tried] = words.split(':');
			const row = { works, checkedAt: context.now } satisfies Partial<MoveCheck>;
			const there = (await loadWear(tx, context.costumeId)).moves.find((m) => m.move === move);
			if (there) await set(tx, 'move_check', there.id, row);
			else await insert(tx, 'move_check', { ...row, move, costumeId: context.costumeId });
			if (!works && componentId !== null)
				await faultCommands.addFault.run(
					tx,
					{
						componentId,
						symptom: note || `fails: ${tried}`,
						cause: '',
						cure: '',
						occasion: 'test wear',
						happenedAt: context.now,
						minutesLost: 0,
						holds: null,
						cameBackOf: null
					},
					context
				);
			return { words: `${works ? 'Works' : 'Does not work'}: ${tried}` };
		}
	)
};
