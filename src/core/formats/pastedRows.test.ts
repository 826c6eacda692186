import assert from 'node:assert/strict';
import { test } from 'node:test';
import { COMPONENT_COLUMNS, MATERIAL_COLUMNS, readPastedRows } from './pastedRows.ts';

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

test('other words for what may stand in a column are taken; what nobody knows stays as it was typed', () => {
	const { rows } = readPastedRows(
		'material,family,width,length,thick\nCalico,Fabrics,1.5 m,10m,\nMat,EVA foam,50cm,1m,6mm\nOdd,cloth hall,,,',
		MATERIAL_COLUMNS
	);
	assert.deepEqual(
		rows.map((r) => [r.family, r.widthMm, r.lengthMm, r.thicknessMm]),
		[
			['cloth', '1.5 m', '10m', undefined],
			['foam', '50cm', '1m', '6mm'],
			['cloth hall', undefined, undefined, undefined]
		]
	);
	const [row] = readPastedRows('name,kind,side\nBracer,Armour,both', COMPONENT_COLUMNS).rows;
	assert.deepEqual([row!.kind, row!.side], ['armor', 'pair']);
});
