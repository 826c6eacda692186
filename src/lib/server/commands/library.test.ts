import assert from 'node:assert/strict';
import { test } from 'node:test';
import { parse } from 'csv-parse/sync';
import { lotsTable, materialsLibrary } from '$core/formats/stashTables.ts';
import { DEMO_NOW, demoWorkshop, testWorkshop } from '$tests/support/workshop.ts';
import { Refused } from '../db/rows.ts';
import { loadMaterials } from '../read/workshop.ts';
import { lotCommands } from './lot.ts';
import { pasteCommands } from './paste.ts';

test('a library of materials goes out and comes in elsewhere as it was; what is there already is left as it is', async () => {
	const [from, to] = [await demoWorkshop(), await testWorkshop(DEMO_NOW)];
	try {
		const materials = await loadMaterials(from.db);
		const rows = materialsLibrary(materials);
		await to.run(pasteCommands.pasteMaterials, { rows });
		const plain = (ms: typeof materials) => ms.map(({ id: _, version: _v, lots: _l, stash: _s, ...m }) => m);
		assert.deepEqual(plain(await loadMaterials(to.db)), plain(materials));
		const first = rows.split('\r\n').slice(0, 3).join('\r\n');
		await assert.rejects(
			to.run(pasteCommands.pasteMaterials, { rows: first }),
			(e) => e instanceof Refused && /here already/.test(e.message)
		);
		await to.run(pasteCommands.pasteMaterials, { rows: `${first}\r\nCandle wax,other,g` });
		assert.equal((await loadMaterials(to.db)).length, materials.length + 1);
	} finally {
		await from.close();
		await to.close();
	}
});

test('the stash as a table (RFC 4180), read by csv-parse: each lot, no cell that would be run', async () => {
	const w = await demoWorkshop();
	try {
		const { id } = (await loadMaterials(w.db)).find((m) => m.name === 'Casting resin')!;
		await w.run(lotCommands.addLot, {
			materialId: String(id),
			quantity: '120,5',
			colour: '=1+1',
			place: 'box 3, "left"',
			boughtOn: '2031-04-01',
			packSize: '1000',
			packPriceMinor: '29,50',
			bestBefore: '2031-12-31',
			openedOn: '2031-04-10',
			openMonths: '6',
			note: ''
		});
		const materials = await loadMaterials(w.db);
		const rows: Record<string, string>[] = parse(lotsTable(materials), { columns: true });
		assert.equal(rows.length, materials.flatMap((m) => m.lots).length);
		const { counted: _, ...resin } = rows.find((r) => r.material === 'Casting resin')!;
		assert.deepEqual(resin, {
			material: 'Casting resin',
			quantity: '120.5',
			unit: 'g',
			shade: "'=1+1",
			place: 'box 3, "left"',
			bought: '2031-04-01',
			pack: '1000',
			price: '29.50',
			currency: 'EUR',
			opened: '2031-04-10',
			// Six months open, before the day of the label.
			good_until: '2031-10-10',
			note: ''
		});
	} finally {
		await w.close();
	}
});
