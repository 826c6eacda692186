import pluralize from 'pluralize';
import { BODY_MEASURES } from '$core/facts/bodyMeasure.ts';
import type { Component } from '$core/facts/component.ts';
import type { Settle, SettleKind } from '$core/answers/settle.ts';

/** The station where each is settled. */
export const STATION_OF: Readonly<Record<SettleKind, 'look' | 'measure' | 'pattern' | 'buy'>> = {
	components: 'look',
	making: 'look',
	wearer: 'measure',
	measures: 'measure',
	follow: 'pattern',
	draw: 'pattern',
	amounts: 'look',
	material: 'pattern',
	takes: 'buy',
	price: 'buy'
};

/** So many measures are named. */
const FEW = 3;

export interface SettleLink {
	words: string;
	href: string;
}

/** What is to be done, and where. @param base of the costume */
export function settleLink(
	{ kind, figures, componentId, shapeId, measures }: Settle,
	components: readonly Component[],
	wearer: string,
	base: string
): SettleLink {
	const its = components.find((c) => c.id === componentId);
	const of = its ? `${its.code} ${its.name}` : '';
	const named = measures.slice(0, FEW).map((m) => BODY_MEASURES[m].name);
	const more = measures.length - named.length;
	switch (kind) {
		case 'components':
			return { words: 'Say what it is made of', href: `${base}/look` };
		case 'making':
			return { words: `Say how ${of} is made`, href: `${base}/look/${componentId}` };
		case 'wearer':
			return { words: 'Say who wears it', href: `${base}/measure` };
		case 'measures':
			return {
				words: `Measure ${wearer}: ${named.join(', ')}${more ? ` and ${more} more` : ''}`,
				href: `${base}/measure/take`
			};
		case 'follow':
			return { words: `Let ${of} follow what was measured since`, href: `${base}/pattern/${shapeId}` };
		case 'draw':
			return { words: `Draw ${of}`, href: `${base}/pattern/new?of=${componentId}` };
		case 'amounts':
			return { words: `Enter the amounts of ${of}`, href: `${base}/look/${componentId}` };
		case 'material':
			return {
				words: `Say what ${pluralize('shape', figures, true)} ${figures === 1 ? 'is' : 'are'} cut from`,
				href: `${base}/pattern/material`
			};
		case 'takes':
			return { words: 'Say what it takes', href: `${base}/buy/takes` };
		case 'price':
			return { words: `Enter ${pluralize('price', figures, true)}`, href: `${base}/buy` };
	}
}
