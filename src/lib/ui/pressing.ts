import { createKeybindingsHandler } from 'tinykeys';
import { KEYS, type KeyName } from '$lib/keys.ts';

/** What is done when a key of the table is pressed. */
export type Pressed = Partial<Record<KeyName, (event: KeyboardEvent) => void>>;

const taken = (run: (event: KeyboardEvent) => void) => (event: KeyboardEvent) => {
	// Esc closes an open dialog besides.
	if (event.key !== 'Escape') event.preventDefault();
	run(event);
};

/** Listens to keys of the table, by their names; what was pressed goes no further than its doing. */
export const pressing = (keys: Pressed): ((event: KeyboardEvent) => void) =>
	createKeybindingsHandler(
		Object.fromEntries(
			Object.entries(keys).flatMap(([name, run]) =>
				KEYS[name as KeyName].press.map((press) => [press, taken(run)])
			)
		)
	);

/** Letters belong to what has the focus: a field, or a picture with keys of its own; and to an open dialog. */
export const isTyping = (target: EventTarget | null): boolean =>
	target instanceof Element &&
	((target instanceof HTMLElement && target.isContentEditable) ||
		/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
export const hasOwnKeys = (target: EventTarget | null): boolean =>
	target instanceof Element && target.closest('[role=application]') !== null;
export const dialogIsOpen = (): boolean => document.querySelector('dialog[open]') !== null;

/** By how much an arrow key moves, in the picture's own directions; null for any other key. */
export const arrowOf = ({ key }: KeyboardEvent): readonly [number, number] | null =>
	(({ ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }) as const)[key] ?? null;
