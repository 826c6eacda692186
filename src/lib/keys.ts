import { ROOMS, STATIONS } from './stations.ts';

/**
 * Every key of every page, in one table: pages bind by name what is pressed, and the sheet of keys reads what is shown.
 * Presses are written as tinykeys has them; a sign that some keyboards give with Shift alone is there both ways.
 */
export interface Key {
	/** None where the browser or a library listens itself. */
	press: readonly string[];
	shown: string;
	does: string;
	/** Where it holds; everywhere without. */
	on?: string;
}

const table = <K extends string>(keys: Record<K, Key>) => keys;

export const KEYS = table({
	undo: { press: ['$mod+z'], shown: 'Ctrl or ⌘ Z', does: 'undo the last action' },
	redo: { press: ['$mod+Shift+z'], shown: 'Ctrl or ⌘ Shift Z', does: 'redo' },
	find: { press: ['/', 'Shift+/'], shown: '/', does: 'find anything' },
	add: { press: ['n'], shown: 'n', does: 'add, where you are' },
	keys: { press: ['?', 'Shift+?'], shown: '?', does: 'this sheet' },
	message: { press: [], shown: 'Alt T', does: 'to the message, and its Undo' },
	leave: { press: ['Escape'], shown: 'Esc', does: 'leave' },
	timer: { press: ['Space'], shown: 'space', does: 'start or stop the timer', on: 'Bench' },
	up: { press: ['Alt+ArrowUp'], shown: 'Alt ↑', does: 'move a component or step up', on: 'Look' },
	down: { press: ['Alt+ArrowDown'], shown: 'Alt ↓', does: 'move a component or step down', on: 'Look' },
	into: {
		press: ['Alt+ArrowRight'],
		shown: 'Alt →',
		does: 'make a component a part of the one above',
		on: 'Look'
	},
	out: {
		press: ['Alt+ArrowLeft'],
		shown: 'Alt ←',
		does: 'take a part out of its component',
		on: 'Look'
	},
	above: { press: ['ArrowUp'], shown: '↑', does: 'to the component above', on: 'Look' },
	below: { press: ['ArrowDown'], shown: '↓', does: 'to the component below', on: 'Look' },
	open: { press: [], shown: 'Enter', does: 'open or edit the component', on: 'Look' },
	turn: { press: ['r'], shown: 'R', does: 'turn the chosen piece', on: 'Lay' },
	turnBack: { press: ['Shift+R'], shown: 'Shift R', does: 'turn it back', on: 'Lay' },
	turnOver: { press: ['f'], shown: 'F', does: 'turn it over', on: 'Lay' },
	keep: { press: ['Enter', 'Space'], shown: 'Enter', does: 'keep it where it is', on: 'Lay' },
	nudge: {
		press: [],
		shown: '← → ↑ ↓',
		does: 'move what is chosen; with Shift farther, or finer on a picture',
		on: 'Lay, pieces and pictures'
	}
});
export type KeyName = keyof typeof KEYS;

/** Where a letter leads: the stations of the costume that is open, and the rooms beside it. */
export const placesByKey = (costumeId: string | undefined): Map<string, string> =>
	new Map([
		...ROOMS.map((room): [string, string] => [room.key, room.path]),
		...(costumeId ? STATIONS.map((s): [string, string] => [s.key, `/c/${costumeId}/${s.path}`]) : [])
	]);
