import assert from 'node:assert/strict';
import { beforeEach, test } from 'node:test';
import { dropDraft, fieldsOf, fillField, keepDraft, readDraft, readField } from './drafts.ts';

/** What a browser keeps on a device. */
function storage() {
	const kept: Record<string, string> = {};
	return Object.defineProperties(kept, {
		getItem: { value: (key: string) => kept[key] ?? null },
		setItem: { value: (key: string, value: string) => void (kept[key] = value) },
		removeItem: { value: (key: string) => void delete kept[key] }
	}) as unknown as Storage;
}
beforeEach(() => Object.assign(globalThis, { localStorage: storage() }));

test('a draft is kept until it is saved, with the version it was typed over', () => {
	keepDraft('/stash editMaterial 4', { name: 'Foam', coat: true }, 3);
	const { fields, version } = readDraft('/stash editMaterial 4')!;
	assert.deepEqual([fields, version], [{ name: 'Foam', coat: true }, 3]);
	assert.equal(readDraft('/stash editMaterial 5'), null);
	dropDraft('/stash editMaterial 4');
	assert.equal(readDraft('/stash editMaterial 4'), null);
	keepDraft('a', { name: 'x' }, null);
	keepDraft('a', {}, null);
	assert.equal(readDraft('a'), null, 'nothing typed is no draft');
});

test('a hundred are kept; the oldest make room', () => {
	for (let i = 0; i < 105; i++) keepDraft(`form ${i}`, { text: String(i) }, null);
	assert.equal(readDraft('form 0'), null);
	assert.equal(readDraft('form 3'), null);
	assert.equal(readDraft('form 104')!.fields.text, '104');
	assert.ok(Object.keys(localStorage).length <= 101);
});

test('a device that keeps nothing is no reason to stop', () => {
	Object.assign(globalThis, {
		localStorage: {
			getItem: () => {
				throw new Error('full');
			},
			setItem: () => {
				throw new Error('full');
			}
		}
	});
	keepDraft('a', { name: 'x' }, null);
	assert.equal(readDraft('a'), null);
});

/** An input as far as it is looked at here. */
const input = (name: string, type: string, value: string, checked = false) =>
	Object.assign(new EventTarget(), { name, type, value, checked }) as unknown as HTMLInputElement;

test('fields: what is typed or chosen, ticks by their value, fields of one name counted up', () => {
	const form = {
		elements: [
			input('id', 'hidden', '7'),
			input('name', 'text', 'Foam'),
			input('days[]', 'checkbox', '1', true),
			input('days[]', 'checkbox', '2'),
			input('minutes', 'text', '5'),
			input('minutes', 'text', '10'),
			input('', 'text', 'no name'),
			input('photo', 'file', '')
		]
	} as unknown as HTMLFormElement;
	const fields = fieldsOf(form);
	assert.deepEqual([...fields.keys()], ['name', 'days[]=1', 'days[]=2', 'minutes', 'minutes 2']);
	assert.deepEqual([...fields.values()].map(readField), ['Foam', true, false, '5', '10']);
	const heard: string[] = [];
	const name = fields.get('name')!;
	for (const type of ['input', 'change']) name.addEventListener(type, () => heard.push(type));
	fillField(name, 'Calico');
	fillField(fields.get('days[]=2')!, true);
	assert.equal(readField(name), 'Calico');
	assert.equal(readField(fields.get('days[]=2')!), true);
	assert.deepEqual(heard, ['input', 'change'], 'whatever listens hears of it');
});
