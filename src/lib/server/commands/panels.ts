import { z } from 'zod';
import { panelPlan } from '$core/facts/panelPlan.ts';
import { GIVES, PANELS } from '$core/engines/shapers/panelShaper.ts';
import { Refused } from '../db/rows.ts';
import { update } from '../db/tables.ts';
import { loadShapes } from '../read/measure.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { checked, keepShape, setFollowing } from './shape.ts';

const panelsForm = ({ settings }: Context) =>
	z.object({
		name: f.text(120),
		note: f.note(),
		materialId: f.idOrNull(),
		follow: f.ticked(),
		ease: f.lengthEitherWay(settings.lengthUnit, 600),
		thickness: f.length(settings.lengthUnit),
		gives: f.whole(0, GIVES.length - 1),
		panels: f.json(panelPlan, 'The panels cannot be read.', 200_000)
	});

/** Panels on the form of the wearer, kept by level and turn: their pieces are laid flat anew whenever a measure changes. */
export const panelCommands = {
	addPanels: command(
		(context) => f.both(z.object({ componentId: f.id() }), panelsForm(context)),
		async (tx, v, context) => {
			const { ease, thickness, gives, ...its } = v;
			const shape = { ...its, shaper: PANELS, values: { ease, thickness, gives } };
			const at = await checked(tx, v.componentId, shape, context);
			const result = await keepShape(tx, shape, at, context);
			return { words: `Laid ${at.shaped.pieces.length} panels flat for ${at.name}`, result };
		}
	),

	editPanels: command(
		(context) => f.both(z.object({ id: f.id(), version: f.version() }), panelsForm(context)),
		async (tx, v, context) => {
			const shape = (await loadShapes(tx, [context.costumeId])).find((s) => s.id === v.id);
			if (!shape?.panels || shape.drawn)
				throw new Refused('These are no panels any more: their pieces were drawn by hand.');
			const values = { ease: v.ease, thickness: v.thickness, gives: v.gives };
			const layers = v.materialId === shape.materialId ? shape.layers : 1;
			const source = { ...shape, values, panels: v.panels, materialId: v.materialId, layers };
			const { record, component, name, shaped } = await checked(tx, shape.componentId, source, context);
			await update(
				tx,
				'shape',
				{ id: v.id, version: v.version },
				{ name: v.name, note: v.note, values, panels: v.panels, materialId: v.materialId, layers }
			);
			await setFollowing(tx, record, component, v.follow, context.trade);
			return { words: `Laid ${shaped.pieces.length} panels flat anew for ${name}`, result: { id: v.id } };
		}
	)
};
