import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';
import type { Join } from '../facts/wear.ts';
import type { Catalogue } from '../trade/catalogue.ts';
import { fastenerOf } from '../trade/fastener.ts';
import { surfaceOf } from './stackCheck.ts';

/** What goes wrong with a join sooner or later, and what to do instead. Common practice. */
export interface JoinMistake {
	why: string;
	instead: string;
	/** The pair of the handbook that prepares for it, where one does. */
	bond: string | null;
}

/** The usual mistakes of a join of a component. */
export function mistakesOf(
	join: Join,
	component: Component,
	record: Pick<CostumeRecord, 'components' | 'steps' | 'needs'>,
	materials: readonly Material[],
	trade: Catalogue
): JoinMistake[] {
	const fastener = fastenerOf(trade.fastener, join.fastener);
	const other = record.components.find((c) => c.id === join.toComponentId);
	const surfaces = [component, ...(other ? [other] : [])].map((c) => surfaceOf(c, record, materials));
	const found: JoinMistake[] = [];
	if (fastener.selfAdhesive && surfaces.includes('cloth'))
		found.push({
			why: 'Its own glue lets go of cloth and gums the needle, so that it cannot be sewn afterwards.',
			instead: 'Sew on one without glue.',
			bond: null
		});
	if (fastener.strap && surfaces[0] === 'foam') {
		const bond = Object.entries(trade.bond).find(([, b]) => b.a.includes('strap') && b.b.includes('foam'));
		const isPrepared = bond?.[1].steps.every((p) =>
			record.steps.some((s) => s.componentId === component.id && s.name === p.name)
		);
		if (!isPrepared)
			found.push({
				why: 'A strap on bare foam tears out.',
				instead: 'Glue a patch of cloth inside, and set the strap through both.',
				bond: bond?.[0] ?? null
			});
	}
	if (fastener.steel && [component, other].some((c) => c?.kind === 'garment'))
		found.push({
			why: 'Plain steel rusts in the wash, and stains.',
			instead: 'Brass, nickel-plated or plastic ones; or take them out before it is washed.',
			bond: null
		});
	const above = record.components.filter(
		(c) =>
			join.zone !== null && c.layer > component.layer && c.zones.includes(join.zone) && c.id !== other?.id
	);
	if (join.holdsTo !== 'component' && above.length)
		found.push({
			why: `It lies beneath ${above.map((c) => `${c.code} ${c.name}`).join(', ')}, and cannot be reached once that is on.`,
			instead: 'Close it before, or move it to where it stays free.',
			bond: null
		});
	return found;
}
