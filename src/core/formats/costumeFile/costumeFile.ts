import { z } from 'zod';
import { coatFields, coatRows, writeCoats } from './coats.ts';
import { componentFields, componentRows, writeComponents } from './components.ts';
import { costumeFields, costumeRows, writeCostume } from './costume.ts';
import { faultFields, faultRows, writeFaults } from './faults.ts';
import type { CostumeSource, Links, Rows } from './fields.ts';
import type { LocalMinutes } from '../../units/localTime.ts';
import { fitFields, fitRows, writeFit } from './fit.ts';
import { handbookFields, handbookRows, writeHandbook } from './handbook.ts';
import { paletteFields, paletteRows, writePalette } from './palette.ts';
import { photoFields, photoRows, writePhotos } from './photos.ts';
import { pictureFields, pictureRows, writePictures } from './pictures.ts';
import { placeFields, placeRows, writePlaces } from './places.ts';
import { planFields, planRows, writePlan } from './plan.ts';
import { shapeFields, shapeRows, writeShapes } from './shapes.ts';
import { stepFields, stepRows, writeSteps } from './steps.ts';
import { swatchFields, swatchRows, writeSwatches } from './swatches.ts';
import { variantRows, wearFields, wearRows, writeWear } from './wear.ts';
import { materialRows, supplyFields, supplyRows, writeSupplies } from './supplies.ts';

/**
 * The costume file: one zip of `costume.json` in the form below and `pictures/<hash>`. Described in
 * docs/formats.md. Ids are the file's own and only link its entries; reading gives new ones.
 */
export const COSTUME_FORMAT = 'dapper-ledger-costume';
export const COSTUME_VERSION = 20;

export const costumeFile = z.strictObject({
	format: z.literal(COSTUME_FORMAT),
	version: z.number().int().min(1).max(COSTUME_VERSION),
	...costumeFields,
	...swatchFields,
	...componentFields,
	...coatFields,
	...faultFields,
	...stepFields,
	...supplyFields,
	...photoFields,
	...placeFields,
	...planFields,
	...pictureFields,
	...fitFields,
	...shapeFields,
	...paletteFields,
	...wearFields,
	...handbookFields
});

export type CostumeFile = z.infer<typeof costumeFile>;

/** The file's content of a costume. */
export const toCostumeFile = (source: CostumeSource): CostumeFile => ({
	format: COSTUME_FORMAT,
	version: COSTUME_VERSION,
	...writeCostume(source),
	...writeSwatches(source),
	...writeComponents(source),
	...writeCoats(source),
	...writeFaults(source),
	...writeSteps(source),
	...writeSupplies(source),
	...writePhotos(source),
	...writePlaces(source),
	...writePlan(source),
	...writePictures(source),
	...writeFit(source),
	...writeShapes(source),
	...writePalette(source),
	...writeWear(source),
	...writeHandbook(source)
});

/**
 * What the file is put in as, table by table: whatever a row links to comes before it, and may be put in before the next is
 * asked for.
 * @param now when it is put in
 */
export function* rowsOf(file: CostumeFile, links: Links, now: LocalMinutes): Generator<Rows> {
	yield* handbookRows(file);
	yield* costumeRows(file);
	yield* materialRows(file);
	yield* swatchRows(file);
	yield* componentRows(file);
	yield* coatRows(file);
	yield* faultRows(file);
	yield* placeRows(file);
	yield* stepRows(file, links);
	yield* supplyRows(file);
	yield* pictureRows(file);
	yield* paletteRows(file, links);
	yield* shapeRows(file, links);
	yield* variantRows(file);
	yield* fitRows(file);
	yield* wearRows(file);
	yield* photoRows(file);
	yield* planRows(file, links, now);
}
