import { inLedgerOrder, type Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';
import type { StoredShape } from '../facts/shape.ts';
import type { Wearer } from '../facts/bodyMeasure.ts';
import { driversOf } from '../engines/pattern/drivers.ts';
import { mainlyCutFrom } from './cutFrom.ts';
import { shapeFor } from './shapePieces.ts';

/** A shape with what it is cut from, and what it would be cut from as a rule. */
export interface CutShape {
	shape: StoredShape;
	component: Component;
	/** All pieces of one copy; null where it gives none. */
	pieces: { count: number; area: number } | null;
	/** Roles of its pieces, each of which may be cut from a material of its own. */
	roles: string[];
	/** What the component takes most of, where nothing is chosen yet. */
	suggested: Material | null;
	/** As thick as the component is said to be, mm, where what it is cut from is not as thick in all its layers. */
	componentMm: number | null;
}

/** Every shape of a costume, by component as the ledger goes. */
export function cutShapes(
	{ components, needs }: Pick<CostumeRecord, 'components' | 'needs'>,
	shapes: readonly StoredShape[],
	materials: readonly Material[],
	wearers: readonly Wearer[]
): CutShape[] {
	return inLedgerOrder(components).flatMap(({ item: component }) =>
		shapes
			.filter((s) => s.componentId === component.id)
			.map((shape) => {
				const done = shapeFor(shape, { component, components, wearers, materials });
				const drivers = done.ok ? driversOf(done.value.pieces) : null;
				const suggested = shape.materialId === null ? mainlyCutFrom(component, needs, materials) : null;
				const thick =
					materials.find((m) => m.id === (shape.materialId ?? suggested?.id))?.thicknessMm ?? null;
				const { thicknessMm } = component;
				return {
					shape,
					component,
					pieces: drivers && { count: drivers.pieces, area: drivers.area },
					roles: done.ok ? [...new Set(done.value.pieces.flatMap((p) => p.role ?? []))] : [],
					suggested,
					componentMm:
						thick !== null && thicknessMm !== null && thick * shape.layers !== thicknessMm
							? thicknessMm
							: null
				};
			})
	);
}
