import { FASTEN_MINUTES, onMinutes } from '../answers/dressing.ts';
import type { Component } from '../facts/component.ts';
import type { WearRecord } from '../facts/wear.ts';
import { number } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** How long it takes to put a component on. */
export function onMinutesFigure(component: Component, wear: WearRecord): Figure {
	const { minutes, copies, base, joins, guessed } = onMinutes(component, wear);
	const memory = 'starting value, from memory; time it at the rehearsal';
	return {
		title: `Putting on ${component.code} ${component.name}`,
		formula: guessed ? 'putOn' : 'same',
		as: { kind: 'number', unit: 'min' },
		inputs: guessed
			? [
					number('copies', copies, component.side === 'pair' ? 'a pair' : 'one'),
					number('by its kind', base, memory, 'min'),
					number('fasteners', joins, 'its joins'),
					number('each', FASTEN_MINUTES, memory, 'min')
				]
			: [number('all of it', minutes, 'entered', 'min')]
	};
}
