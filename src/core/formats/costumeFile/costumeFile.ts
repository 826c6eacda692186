import { z } from 'zod';
import { coatFields, writeCoats } from './coats.ts';
import { componentFields, writeComponents } from './components.ts';
import { costumeFields, writeCostume } from './costume.ts';
import { faultFields, writeFaults } from './faults.ts';
import type { CostumeSource } from './fields.ts';
import { fitFields, writeFit } from './fit.ts';
import { handbookFields, writeHandbook } from './handbook.ts';
import { photoFields, writePhotos } from './photos.ts';
import { pictureFields, writePictures } from './pictures.ts';
import { planFields, writePlan } from './plan.ts';
import { shapeFields, writeShapes } from './shapes.ts';
import { stepFields, writeSteps } from './steps.ts';
import { supplyFields, writeSupplies } from './supplies.ts';

/**
 * The costume file: one zip of `costume.json` in the form below and `pictures/<hash>`. Described in
 * docs/formats.md. Ids are the file's own and only link its entries; reading gives new ones.
 */
export const COSTUME_FORMAT = 'dapper-ledger-costume';
export const COSTUME_VERSION = 4;

export const costumeFile = z.strictObject({
	format: z.literal(COSTUME_FORMAT),
	version: z.number().int().min(1).max(COSTUME_VERSION),
	...costumeFields,
	...componentFields,
	...coatFields,
	...faultFields,
	...stepFields,
	...supplyFields,
	...photoFields,
	...planFields,
	...pictureFields,
	...fitFields,
	...shapeFields,
	...handbookFields
});

export type CostumeFile = z.infer<typeof costumeFile>;

/** The file's content of a costume. */
export const toCostumeFile = (source: CostumeSource): CostumeFile => ({
	format: COSTUME_FORMAT,
	version: COSTUME_VERSION,
	...writeCostume(source),
	...writeComponents(source),
	...writeCoats(source),
	...writeFaults(source),
	...writeSteps(source),
	...writeSupplies(source),
	...writePhotos(source),
	...writePlan(source),
	...writePictures(source),
	...writeFit(source),
	...writeShapes(source),
	...writeHandbook(source)
});
