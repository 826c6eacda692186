import { FASTEN_MINUTES, onMinutes, preparationMinutes, type OnMinutes } from '../answers/dressing.ts';
import { KNOWN } from '../answers/rehearsed.ts';
import type { Component } from '../facts/component.ts';
import { LETS_GO, OFF_SHARE, offMinutes } from '../answers/takingOff.ts';
import type { DressRecord, Preparation } from '../facts/wear.ts';
import { number } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** How long it takes to put a component on. */
export function onMinutesFigure(component: Component, wear: DressRecord): Figure {
	const on = onMinutes(component, wear);
	const { copies, base, joins, entered } = on;
	const title = `Putting on ${component.code} ${component.name}`;
	const memory = 'starting value, from memory; time it at the rehearsal';
	if (on.times.length > 0) return learnedFigure(title, on, entered ? 'entered' : 'by its kind and joins');
	return {
		title,
		formula: entered ? 'same' : 'putOn',
		as: { kind: 'number', unit: 'min' },
		inputs: entered
			? [number('all of it', on.minutes, 'entered', 'min')]
			: [
					number('copies', copies, component.side === 'pair' ? 'a pair' : 'one'),
					number('by its kind', base, memory, 'min'),
					number('fasteners', joins, 'its joins'),
					number('each', FASTEN_MINUTES, memory, 'min')
				]
	};
}

/** How long a preparation takes. */
export function preparationFigure(preparation: Preparation, wear: DressRecord): Figure {
	const on = preparationMinutes(preparation, wear);
	return on.times.length > 0
		? learnedFigure(preparation.name, on, 'entered')
		: {
				title: preparation.name,
				formula: 'same',
				as: { kind: 'number', unit: 'min' },
				inputs: [number('all of it', on.before, 'entered', 'min')]
			};
}

const learnedFigure = (title: string, { before, entered, times }: OnMinutes, from: string): Figure => ({
	title,
	formula: 'rehearsed',
	as: { kind: 'number', unit: 'min' },
	inputs: [
		number('before', before, from, 'min'),
		number('known to', entered ? KNOWN.entered : KNOWN.guessed, 'as natural logarithms, from memory'),
		...times.map((minutes, i) => number(`rehearsal ${times.length - i}`, minutes, 'by the clock', 'min'))
	]
});

/** How long it takes to take a component off. */
export function offMinutesFigure(component: Component, wear: DressRecord): Figure {
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
