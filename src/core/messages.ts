import type { Problem } from './problem.ts';

/** The words for every problem the core reports. `{name}` is filled from the problem's values. */
const words: Record<string, string> = {
	empty: 'Needs a value.',
	notANumber: '“{text}” is not a number.',
	notALength: '“{text}” is not a length. Write it like 14cm, 5 1/2", 1.2 m or 6mm.',
	notAnArea: '“{text}” is not an area. Write it like 0.4 m2, 350 cm2 or 30cm x 40cm.',
	notMoney: '“{text}” is not an amount of money. Write it like 12.50 or 12,50.',
	notADuration: '“{text}” is not a length of time. Write it like 1h20, 90m or 2 d.',
	notADate: '“{text}” is not a date that exists. Write it like 2031-05-16.',
	notATime: '“{text}” is not a date and time that exist. Write it like 2031-05-16T09:00.',
	notAClock: '“{text}” is not a time of day. Write it like 18:30.',
	unknownUnit: '“{unit}” is not a unit known here. Use {known}.',
	negative: 'Cannot be less than zero.',
	tooLarge: 'Too large: the most is {most}.',
	tooFine: 'Finer than the smallest coin: at most {digits} digits after the point.',
	circle: 'These steps wait for each other in a circle: {steps}. Take one of the links away.',
	unknownId: '“{id}” is not there.',
	noWindows: 'Nobody has working windows: add some under Makers.',
	tooFewMakers: 'Needs {needed} makers at once, and {have} have working windows.',
	neverTogether: 'Needs {needed} makers at once, and their windows never overlap.',
	sittingTooLong:
		'Needs {minutes} in one sitting, and the longest window that fits is {longest}. Split the step, or work longer that day.',
	noPlaceWindows: 'The place “{id}” is never open while a maker works.',
	afterHorizon: 'Does not fit into the next {days} days of working windows.',
	blockedBy: 'Waits for “{id}”, which cannot be placed.',
	cornersInLine:
		'Three of the corners lie in one line. Click the four corners of the rectangle, going round.',
	cornersCross: 'The corners cross over. Click them going round: each next to the one before.',
	zeroLength: 'The reference has no length.',
	referenceTooSmall: 'The reference is only a click wide. Take something longer.',
	offPicture: 'A point lies outside of the picture.',
	beyondHorizon: 'A point lies beyond the horizon of this plane: it cannot be on it.',
	pointCount: 'Needs other points: at least {least}.',
	samePoint: 'Two points lie on each other.',
	pointsInLine: 'The points lie in one line: no circle goes through them.',
	crossing: 'The outline crosses itself.',
	needsHeight: 'Head heights need the figure’s height as the reference.',
	farFromReference: 'Lies {times} times as far out as the scale reaches: the ± tells how much that blurs it.',
	offPlane: 'Put right for standing off the plane: on the picture it reads {percent} % too large.',
	offPlaneAssumed:
		'Put right for standing off the plane: on the picture it reads about {percent} % too large, if taken with an ordinary lens.',
	stopped: 'Stopped.',
	workerLost: 'The work was cut off. Try again.',
	pictureDamaged: 'The picture is damaged, or cannot be read here.',
	tooLittleMemory: 'There is too little memory for a picture of this size.',
	noScale: 'The picture has no scale yet.',
	minutesOrder: 'Minutes must run good ≤ usual ≤ bad.',
	windowOrder: 'A window must end after it begins.'
};

/** A problem in words. An unknown code is shown as it is: better odd than silent. */
export function say(problem: Problem): string {
	const text = words[problem.code] ?? problem.code;
	return text.replace(/\{(\w+)\}/g, (_, name: string) => String(problem.values?.[name] ?? ''));
}
