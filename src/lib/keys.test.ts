import assert from 'node:assert/strict';
import { test } from 'node:test';
import { KEYS, placesByKey, type Key } from './keys.ts';
import { ROOMS, STATIONS } from './stations.ts';
import { pressing } from './ui/pressing.ts';

const all: Key[] = Object.values(KEYS);

test('in one place a key means one thing', () => {
	for (const on of new Set(all.map((key) => key.on))) {
		const pressed = all.filter((key) => key.on === on).flatMap((key) => key.press);
		assert.equal(new Set(pressed).size, pressed.length, on ?? 'everywhere');
	}
	const everywhere = all.filter((key) => !key.on).flatMap((key) => key.press);
	for (const place of [...STATIONS, ...ROOMS]) assert.ok(!everywhere.includes(place.key), place.name);
	assert.ok(all.every((key) => key.shown && key.does));
});

test('a letter leads to a station of the costume that is open, or to a room', () => {
	assert.equal(placesByKey('7').get('p'), '/c/7/plan');
	assert.equal(placesByKey('7').get('t'), '/stash');
	assert.equal(placesByKey(undefined).get('p'), undefined);
	assert.equal(placesByKey('7').size, STATIONS.length + ROOMS.length);
});

/** What a browser would send. */
const press = (key: string, held: { ctrl?: boolean; shift?: boolean; alt?: boolean } = {}) => {
	const event = new Event('keydown', { cancelable: true });
	const mods = { Control: held.ctrl, Shift: held.shift, Alt: held.alt, Meta: false };
	return Object.assign(event, {
		key,
		code: '',
		getModifierState: (mod: keyof typeof mods) => mods[mod] ?? false
	}) as unknown as KeyboardEvent;
};

test('keys of the table are heard, with the modifiers that they have and no others', (t) => {
	// tinykeys looks for it to tell a keyboard event, and which key is $mod.
	Object.assign(globalThis, { KeyboardEvent: Event });
	t.after(() => Reflect.deleteProperty(globalThis, 'KeyboardEvent'));
	const done: string[] = [];
	const listen = pressing({
		undo: () => done.push('undo'),
		redo: () => done.push('redo'),
		keys: () => done.push('keys'),
		up: () => done.push('up'),
		above: () => done.push('above'),
		leave: () => done.push('leave')
	});
	const undo = press('z', { ctrl: true });
	for (const event of [
		undo,
		press('Z', { ctrl: true, shift: true }),
		press('?', { shift: true }),
		press('?'),
		press('ArrowUp', { alt: true }),
		press('ArrowUp'),
		press('z'),
		press('ArrowUp', { ctrl: true })
	])
		listen(event);
	assert.deepEqual(done, ['undo', 'redo', 'keys', 'keys', 'up', 'above']);
	assert.ok(undo.defaultPrevented, 'the browser’s own undo does not happen besides');
	const escape = press('Escape');
	listen(escape);
	assert.equal(done.at(-1), 'leave');
	assert.ok(!escape.defaultPrevented, 'Esc still closes a dialog');
});
