import type { Material } from '../facts/material.ts';
import { formatLab } from '../engines/colour/lab.ts';
import { placeOf } from '../answers/lots.ts';
import { formatDate } from '../units/localTime.ts';
import { csv, plainMoney } from './csv.ts';

const mm = (value: number | null) => (value === null ? '' : `${value}mm`);
const day = (value: number | null) => (value === null ? '' : formatDate(value));

/**
 * The materials, as they are sold and how they are, without what is owned of them: pasted into Stash → Paste rows it makes the same ones.
 * Columns go by the heads of `MATERIAL_COLUMNS`.
 */
export const materialsLibrary = (materials: readonly Material[]): string =>
	csv(
		materials.map((m) => ({
			material: m.name,
			family: m.family,
			'counted in': m.unit,
			pack: m.packSize,
			price: plainMoney(m.packPriceMinor, m.currency),
			currency: m.currency,
			supplier: m.supplier,
			lead: m.leadDays ?? '',
			'working days': m.leadWorkingDays ? 'yes' : 'no',
			where: m.stashNote,
			'coat product': m.coatProduct ?? '',
			supply: m.supply ?? '',
			thickness: mm(m.thicknessMm),
			width: mm(m.widthMm),
			length: mm(m.lengthMm),
			weight: m.gramsPerM2 ?? '',
			'stretch across': m.stretchAcross ?? '',
			'stretch along': m.stretchAlong ?? '',
			covers: m.coversMm2 === null ? '' : `${m.coversMm2 / 1e6}m2`,
			colour: m.colour,
			looks: m.lab === null ? '' : formatLab(m.lab)
		}))
	);

/** The stash, lot by lot: for a spreadsheet, an insurance, a shelf's list. */
export const lotsTable = (materials: readonly Material[]): string =>
	csv(
		materials.flatMap((m) =>
			m.lots.map((l) => ({
				material: m.name,
				quantity: l.quantity,
				unit: m.unit,
				shade: l.colour,
				place: placeOf(l, m),
				bought: day(l.boughtOn),
				pack: l.packSize ?? '',
				price: l.currency === null ? '' : plainMoney(l.packPriceMinor, l.currency),
				currency: l.currency ?? '',
				opened: day(l.openedOn),
				good_until: day(l.lastDay),
				counted: day(l.countedOn),
				note: l.note
			}))
		)
	);
