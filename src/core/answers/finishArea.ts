import type { Coat } from '../facts/coat.ts';
import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Catalogue } from '../trade/catalogue.ts';

/** Outside area of a component that says nothing of it, mm². */
const MIDDLING = 100_000;

/** What finishing a component goes by: the area of the coats that it has, else that of its pieces, with a start as of its route. */
export function finishArea(
	component: Pick<Component, 'id' | 'route'>,
	record: Pick<CostumeRecord, 'coats'>,
	trade: Catalogue
): Pick<Coat, 'area' | 'fromPieces' | 'guessed' | 'guess'> {
	// Where it is weathered a coat covers only a part of it.
	const [coat] = record.coats.filter((c) => c.componentId === component.id).sort((a, b) => b.area - a.area);
	if (coat) {
		const { area, fromPieces, guessed, guess } = coat;
		return { area, fromPieces, guessed, guess };
	}
	const area = (component.route && trade.route[component.route]?.area) || MIDDLING;
	return { area, fromPieces: true, guessed: true, guess: area };
}
