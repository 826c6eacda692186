import { FASTEN_MINUTES, onMinutes } from '../answers/dressing.ts';
import type { Component } from '../facts/component.ts';
import { LETS_GO, OFF_SHARE, offMinutes } from '../answers/takingOff.ts';
import type { Worn } from '../facts/wear.ts';
import { number } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** How long it takes to put a component on. */
export function onMinutesFigure(component: Component, wear: Worn): Figure {
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

/** How long it takes to take a component off. */
export function offMinutesFigure(component: Component, wear: Worn): Figure {
	const { minutes, on, copies, by } = offMinutes(component, wear);
	const memory = 'starting value, from memory; time it at the rehearsal';
	return {
		title: `Taking off ${component.code} ${component.name}`,
		formula: by === 'timed' ? 'same' : 'product',
		as: { kind: 'number', unit: 'min' },
		inputs:
			by === 'timed'
				? [number('all of it', minutes, 'entered', 'min')]
				: by === 'letsGo'
					? [number('copies', copies, 'all that holds it lets go'), number('each', LETS_GO, memory, 'min')]
					: [number('putting it on', on, 'as it is put on', 'min'), number('of that', OFF_SHARE, memory)]
	};
}
