import type { Component } from '../facts/component.ts';
import { areaOfUnit, isCutFrom, type Material, type Need } from '../facts/material.ts';

/** The material that a component is mainly cut from, by what it says that it takes: most by area. Null where it says none. */
export function mainlyCutFrom(
	{ id }: Pick<Component, 'id'>,
	needs: readonly Pick<Need, 'componentId' | 'materialId' | 'quantity'>[],
	materials: readonly Material[]
): Material | null {
	const its = needs.flatMap((n) => {
		const material = materials.find((m) => m.id === n.materialId);
		if (n.componentId !== id || !material || !isCutFrom(material)) return [];
		return [{ material, area: n.quantity * (areaOfUnit(material) ?? 0) }];
	});
	return (
		its.reduce<(typeof its)[number] | null>((a, b) => (a && a.area >= b.area ? a : b), null)?.material ?? null
	);
}

/** What pieces may be cut from: what can be cut, and what was chosen before. */
export const cutFromAny = (
	materials: readonly Material[],
	chosen: readonly (number | string)[] = []
): Material[] => materials.filter((m) => isCutFrom(m) || chosen.some((id) => Number(id) === m.id));
