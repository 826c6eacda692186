import assert from 'node:assert/strict';
import { afterEach, test } from 'node:test';
import { keepWishes, readWishes } from './keptWishes.ts';

const store = new Map<string, string>();
const storage = {
	getItem: (key: string) => store.get(key) ?? null,
	setItem: (key: string, value: string) => void store.set(key, value),
	removeItem: (key: string) => void store.delete(key)
};
const put = (its: unknown) =>
	Object.defineProperty(globalThis, 'localStorage', { value: its, configurable: true });
afterEach(() => store.clear());

test('how a purchase is wanted is kept by costume; what is as it begins is not, and what is none of ours is passed over', () => {
	put(storage);
	const begins = { aim: 'cheapest' as const, without: [] };
	assert.deepEqual(readWishes('1'), begins);
	keepWishes('1', { aim: 'soonest', without: ['offer 7'] });
	assert.deepEqual(readWishes('1'), { aim: 'soonest', without: ['offer 7'] });
	assert.deepEqual(readWishes('2'), begins);
	keepWishes('1', begins);
	assert.equal(store.size, 0);
	for (const bad of ['{', '7', '{"aim":"never","without":{"a":1}}', '{"without":[1,null]}']) {
		store.set('dapper purchase 1', bad);
		assert.deepEqual(readWishes('1'), begins, bad);
	}
	// A device that keeps nothing.
	put(undefined);
	keepWishes('1', { aim: 'fewest', without: [] });
	assert.deepEqual(readWishes('1'), begins);
});
