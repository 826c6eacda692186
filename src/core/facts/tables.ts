/**
 * Everything that is recorded, table by table: one description, from which come the words of History, the order of a
 * backup, the triggers, and the columns that are read, inserted and updated. A column goes by the name of its fact;
 * how it is called in the database follows from that, or is said. `id` and `version` stand in every table.
 */
export interface Column {
	kind:
		| 'text'
		| 'number'
		| 'tick'
		| 'list'
		| 'points'
		| 'money'
		| 'length'
		| 'area'
		| 'minutes'
		| 'clock'
		| 'time'
		| 'date'
		| 'json';
	/** Its name in the database, where it is not the fact's. */
	stored?: string;
	/** What History calls it, where it is not the fact's name; null where it says nothing to a maker. */
	word?: string | null;
	/** The table that it links to. */
	to?: string;
	/** What it links to may be of another costume. */
	across?: true;
	/** What stands for a value that nobody reads as it is kept. */
	says?: (value: unknown) => string;
}

export interface Table {
	/** What History calls a row. */
	word: string;
	/** The column that names a row there, where one does. */
	called: string | null;
	columns: Readonly<Record<string, Column>>;
}

const of = <K extends Column['kind']>(kind: K): { kind: K } => ({ kind });
const text = of('text');
const number = of('number');
const tick = of('tick');
const list = of('list');
const money = of('money');
const length = of('length');
const area = of('area');
const minutes = of('minutes');
const clock = of('clock');
const time = of('time');
const date = of('date');
const json = of('json');
const stored = (name: string, column: Column): Column => ({ ...column, stored: name });
const quiet = (column: Column): Column => ({ ...column, word: null });
const to = (table: string): Column => ({ kind: 'number', to: table, word: null });
const said = (says: string | ((value: unknown) => string)): Column => ({
	kind: 'json',
	says: typeof says === 'string' ? () => says : says
});
const how = (words: string) => said((value) => `${(value as unknown[]).length} ${words}`);
/** A colour in CIELAB. */
const colour = said((value) => (value as number[]).map((v) => v.toFixed(1)).join(' '));
const sides = said((value) => `${(value as number[]).join(' × ')} mm`);
const points: Column = { kind: 'points', word: null };
const position = quiet(number);
const picture = {
	hash: quiet(text),
	mime: quiet(text),
	width: quiet(number),
	height: quiet(number),
	bytes: quiet(number)
};

const table = <C extends Record<string, Column>>(
	word: string,
	columns: C,
	called: (string & keyof C) | null = 'name'
) => ({ word, called, columns });

/** In an order in which rows can be put in place: what is linked to comes first. */
export const TABLES = {
	setting: table(
		'settings',
		{
			lengthUnit: text,
			clothUnit: text,
			weightUnit: text,
			currency: text,
			weekStart: number,
			coldOrDamp: tick,
			air: quiet(json),
			bedWideMm: length,
			bedDeepMm: length,
			bedHighMm: length,
			latitude: number,
			noonMinute: clock,
			summerTime: text,
			wetDays: number,
			margins: said('margins'),
			nearMissLeast: number,
			nearMissMost: number,
			loadFactors: said('how much motion pulls'),
			comfort: said('what is borne for hours')
		},
		null
	),
	handbook_row: table('row of the handbook', { tableName: quiet(text), key: text, content: json }, 'content'),
	exchange_rate: table('exchange rate', { currency: text, rate: number }, 'currency'),
	event_rule: table(
		'rule of an event',
		{ eventName: text, kind: text, limits: how('limits'), note: text },
		'kind'
	),
	travel_case: table('case', {
		position,
		name: text,
		inner: stored('inner_mm', sides),
		wallMm: length,
		kg: number
	}),
	maker: table('maker', { position, name: text, helpsOnly: tick, techniques: list }),
	place: table('place', { name: text, capacity: number, forSpray: tick, daylightOnly: tick, dryOnly: tick }),
	working_window: table(
		'hours',
		{
			makerId: to('maker'),
			placeId: to('place'),
			days: list,
			from: stored('from_minute', clock),
			to: stored('to_minute', clock),
			weeks: text
		},
		null
	),
	day_off: table('day off', { makerId: to('maker'), placeId: to('place'), day: date }, null),
	away: table('time away', { makerId: to('maker'), fromAt: time, toAt: time, words: text }, null),
	rate: table(
		'rate',
		{ technique: text, goodMinutes: number, usualMinutes: number, badMinutes: number },
		'technique'
	),
	costume: table('costume', {
		name: text,
		wearer: text,
		eventName: text,
		eventAt: time,
		bufferDays: number,
		limitMinor: money,
		currency: text,
		stashTurn: number,
		hoursTurn: number,
		stashAtCost: tick,
		split: text,
		targetOdds: number,
		rehearsalAt: time,
		archivedAt: time,
		demoAction: quiet(number),
		note: text
	}),
	material: table('material', {
		name: text,
		colour: text,
		family: text,
		unit: text,
		packSize: number,
		packPriceMinor: money,
		currency: text,
		supplier: text,
		leadDays: number,
		leadWorkingDays: tick,
		stashNote: text,
		coatProduct: text,
		supply: text,
		thicknessMm: length,
		widthMm: length,
		lengthMm: length,
		gramsPerM2: number,
		stretchAcross: number,
		stretchAlong: number,
		coversMm2: area,
		lab: colour
	}),
	swatch: table(
		'swatch',
		{
			costumeId: to('costume'),
			recipe: text,
			recipeVersion: quiet(number),
			layers: how('layers'),
			surface: text,
			materialId: to('material'),
			madeOn: date,
			coatsToCover: number,
			wet: colour,
			dry: colour,
			verdict: text,
			note: text
		},
		'recipe'
	),
	component: table('component', {
		costumeId: to('costume'),
		parentId: to('component'),
		position,
		code: text,
		name: text,
		kind: text,
		form: text,
		layer: number,
		zones: list,
		side: text,
		count: number,
		flex: text,
		thicknessMm: length,
		source: text,
		surface: text,
		recipe: text,
		recipeVersion: quiet(number),
		swatchId: to('swatch'),
		seenFrom: text,
		lookNeed: number,
		route: text,
		furtherRoutes: list,
		note: text
	}),
	supplier: table('supplier', {
		name: text,
		currency: text,
		shippingMinor: money,
		freeFromMinor: money,
		minOrderMinor: money,
		workingDays: list,
		closed: list,
		note: text
	}),
	offer: table(
		'offer',
		{
			materialId: to('material'),
			supplierId: to('supplier'),
			packSize: number,
			packPriceMinor: money,
			breaks: how('breaks'),
			leadDays: number,
			mostPacks: number,
			note: text
		},
		null
	),
	coat: table(
		'coat',
		{
			componentId: to('component'),
			position,
			product: text,
			coats: number,
			area: stored('area_mm2', area),
			fromPieces: tick,
			guessed: tick,
			guess: quiet(number),
			materialId: to('material'),
			recoatMinutes: minutes,
			handlingMinutes: minutes
		},
		'product'
	),
	fault: table(
		'fault',
		{
			componentId: to('component'),
			symptom: text,
			known: quiet(text),
			holds: text,
			cause: text,
			cure: text,
			occasion: text,
			happenedAt: time,
			minutesLost: minutes,
			cameBackOf: to('fault')
		},
		'symptom'
	),
	step: table('step', {
		componentId: to('component'),
		position,
		name: text,
		technique: text,
		phase: text,
		amount: number,
		fromPieces: tick,
		takes: text,
		guessed: tick,
		guess: quiet(number),
		perCopy: tick,
		setUpMinutes: minutes,
		waitMinutes: minutes,
		withinMinutes: minutes,
		orAfterMinutes: minutes,
		oneSitting: tick,
		needsHelper: tick,
		placeId: to('place'),
		coatId: to('coat'),
		faultId: to('fault'),
		doneAt: time,
		pinnedAt: time,
		leftOut: tick
	}),
	step_after: table('link between steps', { stepId: to('step'), afterId: to('step') }, null),
	work_log: table(
		'log',
		{ stepId: to('step'), makerId: to('maker'), startedAt: time, endedAt: time, minutes, note: text },
		null
	),
	lot: table(
		'lot',
		{
			materialId: to('material'),
			quantity: number,
			colour: text,
			place: text,
			boughtOn: date,
			packSize: number,
			packPriceMinor: money,
			currency: text,
			bestBefore: date,
			openedOn: date,
			openMonths: number,
			countedOn: date,
			note: text,
			...picture
		},
		null
	),
	offcut: table('offcut', {
		materialId: to('material'),
		name: text,
		outline: said('an outline'),
		flaws: how('spoiled'),
		note: text
	}),
	layout: table('layout', {
		costumeId: to('costume'),
		materialId: to('material'),
		name: text,
		plan: quiet(json),
		parts: quiet(json),
		keptAt: time,
		cutAt: time,
		fromStash: number
	}),
	found_plan: table('plan', { costumeId: to('costume'), plan: quiet(json), foundAt: time }, null),
	need: table(
		'need',
		{
			componentId: to('component'),
			materialId: to('material'),
			quantity: number,
			stepId: to('step'),
			waste: number,
			guessed: tick,
			byWork: tick,
			taken: number,
			takenMinor: money
		},
		null
	),
	joint_purchase: table(
		'purchase for several costumes',
		{ packs: number, packSize: number, packPriceMinor: money, shippingMinor: money },
		null
	),
	purchase: table(
		'purchase',
		{
			costumeId: to('costume'),
			componentId: to('component'),
			jointId: to('joint_purchase'),
			materialId: to('material'),
			packs: number,
			packSize: number,
			packPriceMinor: money,
			shippingMinor: money,
			supplier: text,
			leadDays: number,
			leadWorkingDays: tick,
			state: text,
			orderedOn: date,
			dueOn: date,
			arrivedOn: date,
			refundMinor: money,
			stashed: number,
			note: text,
			...picture
		},
		null
	),
	reference_picture: table(
		'reference picture',
		{
			costumeId: to('costume'),
			position,
			...picture,
			title: text,
			angle: text,
			design: text,
			sourceNote: text,
			purpose: text,
			axisPx: number,
			scale: said('a scale'),
			clickPx: number,
			scaleSigmaMm: length,
			taken: text
		},
		'title'
	),
	callout: table(
		'callout',
		{
			pictureId: to('reference_picture'),
			componentId: to('component'),
			label: text,
			shape: text,
			side: text,
			points
		},
		'label'
	),
	picture_measure: table(
		'measure on a picture',
		{
			pictureId: to('reference_picture'),
			componentId: to('component'),
			label: text,
			kind: text,
			points,
			offPlaneMm: length
		},
		'label'
	),
	wearer: table('wearer', { name: text, note: text, sections: how('forms of sections') }),
	body_measure: table(
		'measure',
		{
			wearerId: to('wearer'),
			measure: text,
			side: text,
			over: stored('taken_over', text),
			mm: stored('value_mm', { ...length, word: 'value' }),
			takenOn: date,
			confirmed: tick,
			note: text
		},
		'measure'
	),
	costume_wearer: table(
		'wearer of a costume',
		{ costumeId: to('costume'), wearerId: to('wearer'), builtOn: date, fittedAt: time },
		null
	),
	wear_join: table(
		'join',
		{
			componentId: to('component'),
			position,
			holdsTo: stored('holds_to', text),
			toComponentId: to('component'),
			fastener: text,
			count: number,
			widthMm: length,
			lengthMm: length,
			zone: text,
			outMm: length,
			upMm: length,
			forwardMm: length,
			faces: text,
			breakaway: tick,
			hidden: tick,
			stepId: to('step')
		},
		'fastener'
	),
	wearing: table(
		'wearing',
		{
			componentId: to('component'),
			grams: number,
			centre: how('mm'),
			onMinutes: number,
			hands: number,
			size: sides,
			parts: number,
			packed: sides,
			softTo: number,
			fragile: tick,
			upright: tick,
			travels: text,
			insideId: to('component'),
			features: list,
			offMinutes: number,
			circuit: said('a circuit')
		},
		null
	),
	variant: table('way to wear it', { costumeId: to('costume'), position, name: text }),
	variant_without: table(
		'component left off',
		{ variantId: to('variant'), componentId: to('component') },
		null
	),
	preparation: table('preparation', {
		costumeId: to('costume'),
		position,
		name: text,
		zones: list,
		minutes: number,
		waitMinutes: number,
		hands: number,
		patchTest: tick,
		variantId: to('variant')
	}),
	wear_log: table(
		'wear',
		{
			costumeId: to('costume'),
			variantId: to('variant'),
			wornOn: date,
			toldAt: time,
			hours: number,
			occasion: text,
			note: text,
			hurts: list
		},
		null
	),
	kit_limit: table('limit of the kit', { costumeId: to('costume'), grams: number, ml: number }, null),
	kit_item: table(
		'thing of the kit',
		{ costumeId: to('costume'), key: text, name: text, grams: number, ml: number, takes: text },
		'key'
	),
	next_time: table(
		'thought for next time',
		{ costumeId: to('costume'), componentId: to('component'), position, words: text, takenTo: text },
		'words'
	),
	keeping: table(
		'keeping',
		{ componentId: to('component'), place: text, note: text, everyMonths: number, lookedOn: date },
		null
	),
	/** Its component is of another costume: the only link that leads to one. */
	loan: table('loan', { costumeId: to('costume'), componentId: { ...to('component'), across: true } }, null),
	inspected: table('look', { costumeId: to('costume'), line: text, works: tick, lookedAt: time }, 'line'),
	rehearsal: table(
		'rehearsal',
		{ costumeId: to('costume'), variantId: to('variant'), heldAt: time, dressers: number, minutes: number },
		null
	),
	rehearsal_time: table(
		'time of a rehearsal',
		{
			rehearsalId: to('rehearsal'),
			componentId: to('component'),
			preparationId: to('preparation'),
			minutes: number
		},
		null
	),
	moving: table(
		'how it is moved in',
		{
			costumeId: to('costume'),
			wideMm: length,
			hipsMm: length,
			openingWideMm: length,
			openingHighMm: length,
			eyeMm: length,
			onMinutes: number,
			restMinutes: number
		},
		null
	),
	move_check: table(
		'movement tried',
		{ costumeId: to('costume'), move: text, works: tick, checkedAt: time },
		'move'
	),
	pack_tick: table('tick of the packing list', { costumeId: to('costume'), line: text, leg: text }, 'line'),
	opening: table(
		'opening',
		{
			componentId: to('component'),
			passage: text,
			closedMm: length,
			stretchPercent: number,
			openingMm: length,
			split: tick
		},
		'passage'
	),
	nominal: table(
		'nominal size',
		{
			componentId: to('component'),
			measure: text,
			direction: text,
			nominalMm: length,
			madeFor: text,
			easeMm: length
		},
		'measure'
	),
	decision: table(
		'decision',
		{
			componentId: to('component'),
			source: text,
			reason: text,
			decidedAt: time,
			buyPriceMinor: money,
			buyLeadDays: number,
			alterPriceMinor: money,
			alterLeadDays: number
		},
		null
	),
	quote: table(
		'quote',
		{
			costumeId: to('costume'),
			number,
			state: text,
			madeOn: date,
			validUntil: date,
			readyOn: date,
			maker: text,
			client: text,
			terms: text,
			currency: text,
			hourRateMinor: money,
			feeMinor: money,
			oddsPercent: number,
			taxPercent: number,
			payments: how('payments'),
			sums: said('the price'),
			changesId: to('quote')
		},
		'number'
	),
	fitting: table(
		'fitting',
		{
			costumeId: to('costume'),
			wearerId: to('wearer'),
			variantId: to('variant'),
			heldAt: time,
			note: text,
			clears: list
		},
		null
	),
	fitting_component: table(
		'component tried on',
		{ fittingId: to('fitting'), componentId: to('component') },
		null
	),
	fitting_point: table(
		'point of a fitting',
		{
			fittingId: to('fitting'),
			componentId: to('component'),
			what: text,
			direction: text,
			moveMm: length,
			side: text,
			stepId: to('step'),
			settled: tick
		},
		'what'
	),
	shape: table('shape', {
		componentId: to('component'),
		position,
		shaper: text,
		name: text,
		values: json,
		works: how('done to the pieces'),
		drawn: said('drawn by hand'),
		panels: how('panels on the form'),
		kept: how('form unfolded'),
		placed: how('place on the wearer'),
		materialId: to('material'),
		roles: quiet(json),
		layers: number,
		note: text
	}),
	palette_colour: table('colour of the palette', {
		costumeId: to('costume'),
		position,
		name: text,
		lab: colour,
		spread: number,
		pictureId: to('reference_picture'),
		picked: quiet(json),
		mix: how('paints mixed'),
		note: text
	}),
	palette_part: table(
		'part of a colour',
		{ paletteColourId: to('palette_colour'), componentId: to('component') },
		null
	),
	photo: table(
		'photo',
		{
			costumeId: to('costume'),
			componentId: to('component'),
			stepId: to('step'),
			faultId: to('fault'),
			fittingId: to('fitting'),
			swatchId: to('swatch'),
			...picture,
			caption: text,
			takenAt: time
		},
		'caption'
	)
} satisfies Record<string, Table>;

export type TableName = keyof typeof TABLES;
export type ColumnOf<T extends TableName> = string & keyof (typeof TABLES)[T]['columns'];

export const TABLE_NAMES = Object.keys(TABLES) as TableName[];
export const isTable = (name: string): name is TableName => Object.hasOwn(TABLES, name);
export const columnsOfTable = (name: TableName): Readonly<Record<string, Column>> => TABLES[name].columns;

/** `packSize` → `pack_size`: how a fact's name is written in the database. */
const snake = (name: string) => name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);
export const storedName = (name: string, column: Column): string => column.stored ?? snake(name);

/** What History calls a column: `thicknessMm` → `thickness`. */
export const wordOf = (name: string, { word }: Column): string | null =>
	word === undefined
		? snake(name)
				.replace(/_(mm|minor)$/, '')
				.replaceAll('_', ' ')
		: word;

/** Whether a row hangs on a costume, by one of its links or by what that links to. */
export const isOfCostume = (name: TableName): boolean =>
	Object.values(columnsOfTable(name)).some(
		({ to }) => to === 'costume' || (to !== undefined && to !== name && isTable(to) && isOfCostume(to))
	);

/** The links of a table to what hangs on a costume: what they lead to must be of the same one. */
export const linksWithin = (name: TableName): { key: string; column: string; table: TableName }[] =>
	Object.entries(columnsOfTable(name)).flatMap(([key, column]) =>
		column.to !== undefined && column.across !== true && isTable(column.to) && isOfCostume(column.to)
			? [{ key, column: storedName(key, column), table: column.to }]
			: []
	);
