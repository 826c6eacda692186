import assert from 'node:assert/strict';
import { test } from 'node:test';
import { COMPONENT_COLUMNS, readPastedRows } from './pastedRows.ts';

test('rows from a spreadsheet: tabs or commas, columns in any order, empty cells left out', () => {
	const tabs = readPastedRows(
		'Layer\tComponent\tPart of\tColour\n2\tHelmet\t\tred\n\n3\tVisor\tHelmet\t\n',
		COMPONENT_COLUMNS
	);
	assert.deepEqual(tabs.rows, [
		{ layer: '2', name: 'Helmet' },
		{ layer: '3', name: 'Visor', partOf: 'Helmet' }
	]);
	assert.deepEqual(tabs.unknown, ['Colour']);
	const commas = readPastedRows('name,note\n"Cape, long","said ""no"""', COMPONENT_COLUMNS);
	assert.deepEqual(commas.rows, [{ name: 'Cape, long', note: 'said "no"' }]);
	assert.deepEqual(readPastedRows('', COMPONENT_COLUMNS), { rows: [], unknown: [] });
});
