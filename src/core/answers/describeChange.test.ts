import assert from 'node:assert/strict';
import { test } from 'node:test';
import { formatMoney } from '../units/money.ts';
import { columnsOfTable, storedName, TABLE_NAMES, wordOf } from '../facts/tables.ts';
import { describeChange } from './describeChange.ts';

const row = (extra: Record<string, unknown>) => ({ id: 1, version: 1, ...extra });
const changed = (tableName: string, before: Record<string, unknown>, after: Record<string, unknown>) =>
	describeChange({ tableName, rowId: 1, before: row(before), after: row({ ...after, version: 2 }) }, 'EUR');

test('what it was: added, changed, removed, by the name that makers know', () => {
	const kind = (before: object | null, after: object | null) =>
		describeChange(
			{
				tableName: 'material',
				rowId: 1,
				before: before && row({ ...before }),
				after: after && row({ ...after })
			},
			'EUR'
		);
	assert.deepEqual(kind(null, { name: 'Net' }), { what: 'material “Net”', kind: 'added', fields: [] });
	assert.deepEqual(kind({ name: 'Net' }, null), { what: 'material “Net”', kind: 'removed', fields: [] });
	for (const [table, words] of [
		['working_window', 'hours'],
		['step_after', 'link between steps'],
		['work_log', 'log'],
		['day_off', 'day off'],
		['setting', 'settings']
	] as const)
		assert.equal(changed(table, {}, {}).what, words);
	assert.equal(
		changed('fault', { symptom: 'seam opens' }, { symptom: 'seam opens' }).what,
		'fault “seam opens”'
	);
	assert.equal(changed('coat', { product: 'pva' }, { product: 'pva' }).what, 'coat “pva”');
});

test('values as people read them', () => {
	const value = (table: string, key: string, before: unknown, after: unknown) => {
		const [field] = changed(table, { [key]: before }, { [key]: after }).fields;
		return field && [field.name, field.before, field.after];
	};
	assert.deepEqual(value('costume', 'limit_minor', null, 32_000), [
		'limit',
		'nothing',
		formatMoney(32_000, 'EUR')
	]);
	assert.deepEqual(value('coat', 'area_mm2', 1200, 40_000), ['area', '12 cm²', '400 cm²']);
	assert.deepEqual(value('component', 'thickness_mm', null, 6), ['thickness', 'nothing', '6 mm']);
	assert.deepEqual(value('picture_measure', 'off_plane_mm', 0, -25), ['off plane', '0 mm', '−25 mm']);
	assert.deepEqual(value('step', 'wait_minutes', 90, 2880), ['wait minutes', '1h30', '2 d']);
	assert.deepEqual(value('working_window', 'from_minute', 1080, 1110), ['from', '18:00', '18:30']);
	assert.deepEqual(value('step', 'done_at', null, '2031-05-02T18:30:00'), [
		'done at',
		'nothing',
		'Fri 2 May 18:30'
	]);
	assert.deepEqual(value('purchase', 'due_on', '2031-05-02', '2031-05-05'), [
		'due on',
		'Fri 2 May',
		'Mon 5 May'
	]);
	assert.deepEqual(value('step', 'one_sitting', false, true), ['one sitting', 'no', 'yes']);
	assert.deepEqual(value('component', 'zones', [], ['head', 'face']), ['zones', 'nothing', 'head, face']);
	assert.deepEqual(value('costume', 'note', '', 'thin coats'), ['note', 'nothing', 'thin coats']);
	assert.equal(value('component', 'count', 1, 1), undefined, 'what stayed is not listed');
});

test('a date in a text is no date, and a number in a name no money', () => {
	const [field] = changed('costume', { name: 'Otter' }, { name: '2031-05-02' }).fields;
	assert.equal(field!.after, '2031-05-02');
});

test('every column says something, or is said to be nobody’s business', () => {
	for (const name of TABLE_NAMES)
		for (const [key, column] of Object.entries(columnsOfTable(name))) {
			const said = changed(
				name,
				{ [storedName(key, column)]: null },
				{ [storedName(key, column)]: [1] }
			).fields;
			assert.equal(said.length, wordOf(key, column) === null ? 0 : 1, `${name}.${key}`);
			assert.doesNotMatch(said[0]?.name ?? '', /_|[A-Z]/, `${name}.${key}`);
		}
});

test('ids, places in a list and counters of writes say nothing to a maker', () => {
	assert.deepEqual(
		changed(
			'step',
			{ position: 1, component_id: 2, name: 'cut' },
			{ position: 4, component_id: 3, name: 'cut' }
		).fields,
		[]
	);
});

test('columns that hold several values are told value by value', () => {
	const shape = (values: Record<string, unknown>, works: unknown[] = [], drawn: unknown = null) => ({
		id: 1,
		name: 'shell',
		values,
		works,
		drawn,
		version: 1
	});
	const told = describeChange(
		{
			tableName: 'shape',
			rowId: 1,
			before: shape({ upper: 280, lower: { follows: 'wristGirth', plus: 12 }, panels: 2 }),
			after: shape(
				{
					upper: { follows: 'forearmGirth', plus: 5 },
					lower: { follows: 'wristGirth', plus: 12 },
					panels: 3
				},
				[{ kind: 'pair', piece: 0 }],
				[{}]
			)
		},
		'EUR'
	);
	assert.deepEqual(told.fields, [
		{ name: 'upper', before: '280', after: 'follows forearm girth, ease 5' },
		{ name: 'panels', before: '2', after: '3' },
		{ name: 'works', before: 'nothing', after: '1 done to the pieces' },
		{ name: 'drawn', before: 'nothing', after: 'drawn by hand' }
	]);
});

test('money has the digits of its currency: the row’s own, else that of what it is of (ISO 4217: JPY 0, KWD 3)', () => {
	const price = (row: object, currency: string) => {
		const change = {
			tableName: 'material',
			rowId: 1,
			before: { id: 1, ...row, pack_price_minor: 1500 },
			after: { id: 1, ...row, pack_price_minor: 1234 }
		};
		return describeChange(change, currency).fields[0]!.after.replace(/[^\d.,]/g, '');
	};
	assert.equal(price({}, 'EUR'), '12.34');
	assert.equal(price({}, 'JPY'), '1234');
	assert.equal(price({ currency: 'KWD' }, 'EUR'), '1.234');
});
