import type { CostumeRecord } from '../facts/costume.ts';
import type { Step } from '../facts/step.ts';
import type { Material } from '../facts/material.ts';
import type { Coat } from '../facts/coat.ts';

/** The coat that a step puts on, and the materials that it is put on with: its colour. Null for other work. */
export function coatOf(
	step: Step,
	record: Pick<CostumeRecord, 'coats' | 'needs'>,
	materials: readonly Material[]
): { coat: Coat; colours: Material[] } | null {
	const coat = record.coats.find((c) => c.id === step.coatId);
	if (!coat) return null;
	const own = materials.find((m) => m.id === coat.materialId);
	if (own) return { coat, colours: [own] };
	const needed = new Set(
		record.needs
			.filter((n) => n.componentId === step.componentId && (n.stepId === null || n.stepId === step.id))
			.map((n) => n.materialId)
	);
	return { coat, colours: materials.filter((m) => needed.has(m.id) && m.coatProduct === coat.product) };
}
