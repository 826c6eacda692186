import { z } from 'zod';
import { MOST_OPERATIONS, pieceOperation } from '../../facts/pieceOperation.ts';
import { panelPlan } from '../../facts/panelPlan.ts';
import { keptForm, placement } from '../../facts/placement.ts';
import { shapeValue } from '../../facts/shape.ts';
import { storedPieces } from '../../facts/storedPiece.ts';
import { SHAPE_KEYS } from '../../engines/shapers/shapers.ts';
import {
	id,
	list,
	longLine,
	text,
	type CostumeSource,
	type FileOf,
	type Links,
	type Rows
} from './fields.ts';

/** Shapes that the pieces come from. */
export const shapeFields = {
	shapes: list(
		z.strictObject({
			componentId: id,
			shaper: z.enum(SHAPE_KEYS),
			name: longLine,
			values: z.record(z.string().max(60), shapeValue),
			works: z.array(pieceOperation).max(MOST_OPERATIONS).default([]),
			drawn: storedPieces.nullable().default(null),
			/** Panels on the form of the wearer; since form 18. */
			panels: panelPlan.nullable().default(null),
			/** What was unfolded, to be put together again, and where it was moved to on the wearer; since form 19. */
			kept: keptForm.nullable().default(null),
			placed: placement.nullable().default(null),
			materialId: id.nullable().default(null),
			/** What pieces of a role are cut from instead; since form 5. */
			roles: z.record(z.string().min(1).max(40), id).default({}),
			layers: z.number().int().min(1).max(6).default(1),
			note: text
		}),
		5000
	)
};

export const writeShapes = ({ fit }: CostumeSource) => {
	return {
		shapes: fit.shapes.map((s) => ({
			componentId: s.componentId,
			shaper: s.shaper,
			name: s.name,
			values: s.values,
			works: s.works,
			drawn: s.drawn as z.infer<typeof storedPieces> | null,
			panels: s.panels,
			kept: s.kept,
			placed: s.placed,
			materialId: s.materialId,
			roles: s.roles,
			layers: s.layers,
			note: s.note
		}))
	};
};

export const shapeRows = ({ shapes }: FileOf<typeof shapeFields>, { to }: Links): Rows[] => [
	{
		table: 'shape',
		rows: shapes.map((s, position) => ({
			...s,
			position,
			roles: Object.fromEntries(
				Object.entries(s.roles).map(([role, material]) => [role, to('material', material)])
			)
		}))
	}
];
