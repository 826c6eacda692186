import type { Component } from '../facts/component.ts';
import type { Join } from '../facts/wear.ts';
import { ZONES, type Zone } from '../facts/zone.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import { fastenerOf } from '../trade/fastener.ts';
import { plainZone } from '../trade/wearSpot.ts';

/** What holds a component, in its order. */
export const joinsOf = (component: Pick<Component, 'id'>, joins: readonly Join[]): Join[] =>
	joins.filter((j) => j.componentId === component.id).sort((a, b) => a.position - b.position || a.id - b.id);

/** Where it is on the body: of a pair on both sides. */
export function bothSides(zone: Zone, { side }: Pick<Component, 'side'>): Zone[] {
	const other = ZONES.find((z) => z !== zone && plainZone(z) === plainZone(zone));
	return side === 'pair' && other ? [zone, other] : [zone];
}

/** `to the body`, `to A-01 Breastplate`, `closes itself`. */
export function holdsToWords(
	{ holdsTo, toComponentId }: Pick<Join, 'holdsTo' | 'toComponentId'>,
	components: readonly Pick<Component, 'id' | 'code' | 'name'>[]
): string {
	if (holdsTo === 'body') return 'to the body';
	if (holdsTo === 'self') return 'closes itself';
	const other = components.find((c) => c.id === toComponentId);
	return other ? `to ${other.code} ${other.name}` : 'to something that is gone';
}

/** `2 × snaps`, `hook-and-loop`. */
export const fastenerWords = (
	{ fastener, count }: Pick<Join, 'fastener' | 'count'>,
	trade: Catalogue
): string => `${count > 1 ? `${count} × ` : ''}${fastenerOf(trade.fastener, fastener).name}`;

/** What the step that sets it is called. */
export const joinStepName = (
	join: Pick<Join, 'fastener' | 'holdsTo' | 'toComponentId'>,
	components: readonly Component[],
	trade: Catalogue
): string => `${fastenerOf(trade.fastener, join.fastener).name}, ${holdsToWords(join, components)}`;

/** Components whose joins hold them to each other in a circle, the first again at the end; null where none do. */
export function joinCircle(components: readonly Component[], joins: readonly Join[]): Component[] | null {
	const byId = new Map(components.map((c) => [c.id, c]));
	const done = new Set<number>();
	const path: number[] = [];
	function visit(id: number): number[] | null {
		if (path.includes(id)) return [...path.slice(path.indexOf(id)), id];
		if (done.has(id)) return null;
		path.push(id);
		for (const { componentId, toComponentId } of joins) {
			const found = componentId === id && toComponentId !== null ? visit(toComponentId) : null;
			if (found) return found;
		}
		path.pop();
		done.add(id);
		return null;
	}
	for (const { id } of components) {
		const found = visit(id);
		if (found) return found.flatMap((c) => byId.get(c) ?? []);
	}
	return null;
}
