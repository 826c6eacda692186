import type { CostumeRecord } from '../facts/costume.ts';
import { copiesOf } from '../facts/component.ts';
import type { KeptLayout } from '../facts/layout.ts';
import type { Step } from '../facts/step.ts';
import { techniqueOf } from '../trade/catalogue.ts';
import type { StandardTechnique } from '../trade/technique.ts';
import { cutsOf, doneTo, quantityOfPieces, SAME_PIECES, takesOf, type PiecesFrom } from './followPieces.ts';
import { areasOfComponents } from './layPieces.ts';

/** Techniques by which pieces come out of their material. */
const CUTTING: readonly StandardTechnique[] = ['trace', 'cutFoam', 'cutCloth'];

/**
 * Open steps that are over once these layouts are cut: tracing and cutting of a component, where all pieces that the step is done
 * to have come out of their materials. What is cut is not planned again.
 */
export function cutSteps(
	record: CostumeRecord,
	layouts: readonly Pick<KeptLayout, 'materialId' | 'cutAt' | 'plan'>[],
	from: PiecesFrom
): Step[] {
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const cut = layouts.filter((l) => l.cutAt !== null);
	return record.components.flatMap((component) => {
		const cuts = cutsOf(component, record.components, from);
		const copies = copiesOf(component, byId);
		/** Whether all that is cut from a material for this component is cut by now. */
		const isCut = (materialId: number): boolean => {
			const material = from.materials.find((m) => m.id === materialId);
			const wanted = material && quantityOfPieces(cuts, material, 1, copies);
			const pieces = cut.filter((l) => l.materialId === materialId).flatMap((l) => l.plan.pieces);
			const laid = areasOfComponents(pieces).get(component.id) ?? 0;
			return !!wanted && laid >= wanted.area * copies * (1 - SAME_PIECES);
		};
		return record.steps.filter((s) => {
			if (s.componentId !== component.id || s.doneAt !== null || !s.fromPieces) return false;
			const technique = techniqueOf(from.trade, s.technique);
			if (!(CUTTING as readonly string[]).includes(s.technique) || takesOf(s, technique) !== 'outline')
				return false;
			const its = doneTo(cuts, technique.ground);
			return its.length > 0 && its.every((c) => c.material !== null && isCut(c.material.id));
		});
	});
}
