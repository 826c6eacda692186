import {
	PLAIN_WEARING,
	type Join,
	type Preparation,
	type Wearing,
	type Rehearsal,
	type Variant,
	type WearRecord
} from '../../src/core/facts/wear.ts';
import { PLAIN_COMPONENT, type Component } from '../../src/core/facts/component.ts';
import type { LookRecord, ReferencePicture } from '../../src/core/facts/picture.ts';
import type { MeasureRecord } from '../../src/core/facts/measureRecord.ts';
import type { CostumeRecord, WorkLog } from '../../src/core/facts/costume.ts';
import type { WearLog } from '../../src/core/facts/health.ts';
import type { ShapeValue, StoredShape } from '../../src/core/facts/shape.ts';
import { FIRST_SETTINGS, type Workshop } from '../../src/core/facts/workshop.ts';
import { PLAIN_STEP, type Step } from '../../src/core/facts/step.ts';
import type { Coat } from '../../src/core/facts/coat.ts';
import type { Fault } from '../../src/core/facts/fault.ts';
import type { Material, Need, Purchase } from '../../src/core/facts/material.ts';
import { DAY, parseDate, parseLocalTime } from '../../src/core/units/localTime.ts';

/** Small records for tests of the core: everything has a plain value, and a test says what matters. */
export const at = (text: string): number => {
	const parsed = parseLocalTime(text);
	if (!parsed.ok) throw new Error(text);
	return parsed.value;
};
export const day = (text: string): number => {
	const parsed = parseDate(text);
	if (!parsed.ok) throw new Error(text);
	return parsed.value;
};

export const component = (id: number, extra: Partial<Component> = {}): Component => ({
	id,
	costumeId: 1,
	parentId: null,
	position: id,
	code: `A-0${id}`,
	name: `component ${id}`,
	...PLAIN_COMPONENT,
	version: 1,
	...extra
});

export const step = (id: number, componentId: number, extra: Partial<Step> = {}): Step => ({
	id,
	componentId,
	position: id,
	name: `step ${id}`,
	technique: 'other',
	phase: 'make',
	amount: 60,
	perCopy: true,
	...PLAIN_STEP,
	version: 1,
	...extra
});

export const coat = (id: number, componentId: number, extra: Partial<Coat> = {}): Coat => ({
	id,
	componentId,
	position: 0,
	product: 'fillerPrimer',
	coats: 2,
	area: 150_000,
	fromPieces: false,
	guessed: false,
	guess: null,
	materialId: null,
	recoatMinutes: 20,
	handlingMinutes: 120,
	version: 1,
	...extra
});

export const fault = (id: number, componentId: number): Fault => ({
	id,
	componentId,
	symptom: 'seam opens',
	known: 'seamOpens',
	holds: null,
	cause: '',
	cure: '',
	occasion: 'event',
	happenedAt: at('2031-04-01T10:00'),
	minutesLost: 0,
	cameBackOf: null,
	version: 1
});

export const material = (id: number, extra: Partial<Material> = {}): Material => ({
	id,
	name: `material ${id}`,
	colour: '',
	family: 'foam',
	unit: 'sheet',
	packSize: 1,
	packPriceMinor: 1000,
	currency: 'EUR',
	supplier: '',
	leadDays: 5,
	leadWorkingDays: false,
	stash: 0,
	lots: [],
	stashNote: '',
	coatProduct: null,
	supply: null,
	thicknessMm: null,
	widthMm: null,
	lengthMm: null,
	gramsPerM2: null,
	stretchAcross: null,
	stretchAlong: null,
	coversMm2: null,
	lab: null,
	version: 1,
	...extra
});

export const need = (componentId: number, materialId: number, quantity: number): Need => ({
	id: componentId * 100 + materialId,
	componentId,
	materialId,
	quantity,
	stepId: null,
	waste: null,
	guessed: false,
	byWork: null,
	taken: 0,
	takenMinor: null,
	version: 1
});

export const purchase = (id: number, materialId: number, extra: Partial<Purchase> = {}): Purchase => ({
	id,
	jointId: null,
	costumeId: 1,
	componentId: null,
	materialId,
	packs: 1,
	packSize: null,
	packPriceMinor: 1000,
	shippingMinor: 0,
	supplier: '',
	leadDays: 5,
	leadWorkingDays: false,
	state: 'planned',
	orderedOn: null,
	dueOn: null,
	arrivedOn: null,
	refundMinor: 0,
	stashed: 0,
	hash: null,
	note: '',
	version: 1,
	...extra
});

export const record = (extra: Partial<CostumeRecord> = {}): CostumeRecord => ({
	costume: {
		id: 1,
		name: 'Reed singer',
		wearer: '',
		eventName: 'pageant',
		eventAt: at('2031-05-16T09:00'),
		bufferDays: 2,
		limitMinor: 50_000,
		currency: 'EUR',
		stashTurn: null,
		hoursTurn: null,
		stashAtCost: false,
		split: 'windows',
		targetOdds: 85,
		rehearsalAt: null,
		archivedAt: null,
		demoAction: null,
		note: '',
		version: 1
	},
	components: [],
	steps: [],
	coats: [],
	needs: [],
	purchases: [],
	faults: [],
	palette: [],
	swatches: [],
	logs: [],
	photos: [],
	leftOut: [],
	leftOutNeeds: [],
	found: null,
	laid: [],
	fittings: [],
	...extra
});

export const workshop = (extra: Partial<Workshop> = {}): Workshop => ({
	settings: { ...FIRST_SETTINGS },
	makers: [
		{
			id: 1,
			name: 'Me',
			helpsOnly: false,
			techniques: null,
			windows: [{ id: 1, days: [1, 2, 3, 4, 5], from: 18 * 60, to: 21 * 60 }],
			off: [],
			away: [],
			version: 1
		},
		{
			id: 2,
			name: 'Helper',
			helpsOnly: true,
			techniques: null,
			windows: [{ id: 2, days: [3], from: 19 * 60, to: 21 * 60 }],
			off: [],
			away: [],
			version: 1
		}
	],
	places: [
		{
			id: 1,
			name: 'Spray place',
			capacity: 1,
			forSpray: true,
			daylightOnly: false,
			dryOnly: false,
			windows: [{ id: 3, days: [1, 2, 3, 4, 5, 6, 7], from: 540, to: 1200 }],
			off: [],
			version: 1
		}
	],
	rates: {},
	ownRates: {},
	learned: [],
	materials: [],
	suppliers: [],
	exchange: [],
	handbook: [],
	...extra
});

export const picture = (id: number, extra: Partial<ReferencePicture> = {}): ReferencePicture => ({
	id,
	costumeId: 1,
	position: id,
	hash: 'a'.repeat(64),
	mime: 'image/png',
	width: 1000,
	height: 1000,
	bytes: 1,
	title: '',
	angle: 'front',
	purpose: 'look',
	design: 'own',
	sourceNote: '',
	axisPx: null,
	scale: null,
	clickPx: 2,
	taken: 'hand',
	scaleSigmaMm: 0,
	version: 1,
	...extra
});

export const NO_LOOK: LookRecord = { pictures: [], callouts: [], measures: [], decisions: [] };
export const NO_FIT: MeasureRecord = {
	wearers: [],
	worn: [],
	openings: [],
	nominals: [],
	fittings: [],
	points: [],
	shapes: []
};

export const NO_WEAR: WearRecord = {
	joins: [],
	wearings: [],
	preparations: [],
	rehearsals: [],
	variants: [],
	moving: null,
	moves: []
};
export const wearing = (componentId: number, more: Partial<Wearing> = {}): Wearing => ({
	...PLAIN_WEARING,
	id: componentId,
	componentId,
	version: 1,
	...more
});
export const preparation = (id: number, more: Partial<Preparation> = {}): Preparation => ({
	id,
	position: id,
	name: `preparation ${id}`,
	zones: [],
	minutes: 10,
	waitMinutes: 0,
	hands: 1,
	patchTest: false,
	variantId: null,
	version: 1,
	...more
});
export const variant = (id: number, more: Partial<Variant> = {}): Variant => ({
	id,
	position: id,
	name: `variant ${id}`,
	without: [],
	version: 1,
	...more
});
export const rehearsal = (id: number, more: Partial<Rehearsal> = {}): Rehearsal => ({
	id,
	variantId: null,
	heldAt: 0,
	dressers: 1,
	minutes: 10,
	times: [],
	version: 1,
	...more
});
/** Hook-and-loop to the body, 5 cm wide and 2 cm long, that comes off outwards. */
export const join = (id: number, componentId: number, more: Partial<Join> = {}): Join => ({
	id,
	componentId,
	position: id,
	holdsTo: 'body',
	toComponentId: null,
	fastener: 'hookAndLoop',
	count: 1,
	widthMm: 50,
	lengthMm: 20,
	zone: null,
	outMm: 0,
	upMm: 0,
	forwardMm: 0,
	faces: 'outward',
	breakaway: false,
	hidden: true,
	stepId: null,
	version: 1,
	...more
});
/** All of it, at an event, on a day. */
export const wearLog = (id: number, wornOn: number, more: Partial<WearLog> = {}): WearLog => ({
	id,
	costumeId: 1,
	variantId: null,
	wornOn,
	toldAt: wornOn * DAY,
	hours: null,
	occasion: 'event',
	note: '',
	hurts: [],
	version: 1,
	...more
});
export const log = (stepId: number, minutes: number, more: Partial<WorkLog> = {}): WorkLog => ({
	id: stepId,
	stepId,
	makerId: null,
	startedAt: 0,
	endedAt: minutes,
	minutes,
	note: '',
	version: 1,
	...more
});
/** A flat piece, as wide as is said or as what it follows, 100 mm high. */
export const flatPanel = (
	id: number,
	componentId: number,
	wide: ShapeValue,
	more: Partial<StoredShape> = {}
): StoredShape => ({
	id,
	componentId,
	shaper: 'flatPanel',
	name: 'band',
	values: { top: wide, bottom: wide, height: 100, corner: 0, allowance: 0 },
	works: [],
	drawn: null,
	panels: null,
	kept: null,
	placed: null,
	materialId: null,
	layers: 1,
	roles: {},
	note: '',
	version: 1,
	...more
});
