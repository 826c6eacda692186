import pluralize from 'pluralize';
import type { NumberedPiece } from '../engines/pattern/numbered.ts';
import { holdsToWords, fastenerWords, joinsOf } from '../answers/joins.ts';
import { loggedByStep } from '../answers/minutes.ts';
import { spendOf } from '../answers/spend.ts';
import type { Coat } from '../facts/coat.ts';
import { copiesOf, type Component } from '../facts/component.ts';
import type { CostumeRecord, Photo } from '../facts/costume.ts';
import { isMended, type Fault } from '../facts/fault.ts';
import type { Keeping, NextTime, WearLog } from '../facts/health.ts';
import { wearersOf, type MeasureRecord } from '../facts/measureRecord.ts';
import { inOrder } from '../facts/order.ts';
import { isRecipeCoat } from '../facts/recipe.ts';
import type { StoredShape } from '../facts/shape.ts';
import type { WearRecord } from '../facts/wear.ts';
import type { Workshop } from '../facts/workshop.ts';
import { zoneWords } from '../facts/zone.ts';
import { catalogueOf, coatProductOf, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { formatDuration } from '../units/duration.ts';
import { dayOf, dayWords, type LocalMinutes } from '../units/localTime.ts';
import { formatLength, type LengthUnit } from '../units/measure.ts';
import { formatMoney } from '../units/money.ts';
import { capital } from '../units/names.ts';
import { formatNumber } from '../units/number.ts';

/** A full record is kept; a short one is shown to others: without money, suppliers, places and people. */
export const STORY_FORMS = ['full', 'short'] as const;
export type StoryForm = (typeof STORY_FORMS)[number];

export interface StoryLine {
	/** What it is of, where that is said apart: `contact cement`, `Fri 16 May 2031`. */
	name: string;
	text: string;
}
export interface StoryPicture {
	hash: string;
	mime: string;
	caption: string;
	width: number;
	height: number;
}
/** Lines under a head: of the whole, of a component, of a day. */
export interface StoryPart {
	title: string;
	componentId: number | null;
	lines: StoryLine[];
	pictures: StoryPicture[];
}
/** What is told of a costume, from the front to the back. */
export interface Story {
	title: string;
	said: string;
	chapters: { title: string; parts: StoryPart[] }[];
}

/** Everything that a record is written from. */
export interface StorySource {
	record: CostumeRecord;
	workshop: Workshop;
	fit: MeasureRecord;
	wear: WearRecord;
	wears: readonly WearLog[];
	keepings: readonly Keeping[];
	nextTimes: readonly NextTime[];
	/** Pieces of each shape, by its id. */
	pieces: ReadonlyMap<number, readonly NumberedPiece[]>;
	unit: LengthUnit;
}

/** With the year: it is read years later. */
const day = (on: number): string => dayWords(on, 0);
const dayAt = (at: LocalMinutes): string => day(dayOf(at));
const line = (name: string, ...text: (string | false | null | undefined)[]): StoryLine => ({
	name,
	text: text.filter(Boolean).join('; ')
});
const pictureOf = ({ hash, mime, caption, width, height }: Photo): StoryPicture => ({
	hash,
	mime,
	caption,
	width,
	height
});
const byTime = (photos: readonly Photo[]): StoryPicture[] =>
	[...photos].sort((a, b) => a.takenAt - b.takenAt || a.id - b.id).map(pictureOf);

/** `3 × brushed acrylic, deep red`. */
function coatWords({ product, coats, materialId }: Coat, workshop: Workshop, trade: Catalogue): string {
	const material = workshop.materials.find((m) => m.id === materialId);
	const { name } = coatProductOf(trade, product);
	return `${coats} × ${name}${material && material.name !== name ? `, ${material.name}` : ''}`;
}

const faultWords = (fault: Fault, record: CostumeRecord): StoryLine =>
	line(
		dayAt(fault.happenedAt),
		fault.symptom,
		fault.cause && `cause: ${fault.cause}`,
		fault.cure && `cure: ${fault.cure}`,
		record.faults.some((f) => f.id === fault.cameBackOf) && 'came back',
		isMended(fault, record.steps) ? 'mended' : 'not mended yet'
	);

/** What a component is, what is inside it, how it was made and what became of it. */
function ofComponent(
	component: Component,
	source: StorySource,
	form: StoryForm,
	trade: Catalogue
): StoryPart {
	const { record, workshop, wear, fit, pieces, unit, keepings } = source;
	const { id } = component;
	const full = form === 'full';
	const logged = loggedByStep(record.logs);
	const steps = inOrder(record.steps, id);
	const its = steps.filter((s) => s.faultId === null);
	const minutes = steps.reduce((sum, s) => sum + (logged.get(s.id) ?? 0), 0);
	const copies = copiesOf(component, new Map(record.components.map((c) => [c.id, c])));
	const cost = full ? spendOf(record, workshop).byComponent.get(id) : undefined;
	const { currency } = record.costume;
	const material = (materialId: number | null) => workshop.materials.find((m) => m.id === materialId);
	const shapeLine = (shape: StoredShape) => {
		const of = pieces.get(shape.id) ?? [];
		const from = material(shape.materialId);
		return line(
			shape.name,
			`version ${shape.version}`,
			of.length > 0 && `${pluralize('piece', of.length, true)}: ${of.map((p) => p.piece.name).join(', ')}`,
			from && `of ${from.name}`,
			shape.layers > 1 && `${shape.layers} layers`,
			shape.note
		);
	};
	const recipe = component.recipe === null ? null : trade.recipe[component.recipe];
	const weight = wear.wearings.find((w) => w.componentId === id)?.grams;
	const kept = keepings.find((k) => k.componentId === id);
	const lines: StoryLine[] = [
		line(
			'What it is',
			`${component.kind}${component.form ? `, ${component.form}` : ''}`,
			copies > 1 && `${copies} of it`,
			component.zones.length > 0 && component.zones.map(zoneWords).join(', '),
			`layer ${component.layer}`,
			component.thicknessMm !== null && `${formatLength(component.thicknessMm, unit)} thick`,
			weight != null && `${formatNumber(weight, 0)} g`
		),
		...record.needs
			.filter((n) => n.componentId === id)
			.flatMap((n) => {
				const of = material(n.materialId);
				return of
					? [
							line(
								'Inside',
								of.name,
								`${formatNumber(n.quantity, 2)} ${of.unit}`,
								of.colour,
								full && of.supplier
							)
						]
					: [];
			}),
		...fit.shapes
			.filter((s) => s.componentId === id)
			.map((s) => {
				const its = shapeLine(s);
				return line('Pieces', its.name, its.text);
			}),
		...(recipe
			? [
					line(
						'Recipe',
						`${recipe.name}${component.recipeVersion ? `, state ${component.recipeVersion}` : ''}`,
						recipe.layers
							.map((l) => (isRecipeCoat(l) ? `${l.coats} × ${coatProductOf(trade, l.product).name}` : l.name))
							.join(', then ')
					)
				]
			: []),
		...(record.coats.some((c) => c.componentId === id)
			? [
					line(
						'Coats',
						record.coats
							.filter((c) => c.componentId === id)
							.sort((a, b) => a.position - b.position)
							.map((c) => coatWords(c, workshop, trade))
							.join(', then ')
					)
				]
			: []),
		...joinsOf(component, wear.joins).map((j) =>
			line(
				'Held by',
				`${fastenerWords(j, trade)}, ${formatLength(j.widthMm, unit)} × ${formatLength(j.lengthMm, unit)}`,
				holdsToWords(j, record.components),
				j.zone && zoneWords(j.zone)
			)
		),
		...its
			.filter((s) => s.doneAt !== null)
			.map((s) => {
				const technique = techniqueOf(trade, s.technique).name;
				const took = logged.get(s.id);
				return line(
					dayAt(s.doneAt!),
					s.name === technique ? s.name : `${s.name} (${technique})`,
					took !== undefined && formatDuration(took),
					...record.logs.filter((l) => l.stepId === s.id && l.note).map((l) => l.note)
				);
			}),
		...record.faults
			.filter((f) => f.componentId === id)
			.map((f) => line('Fault', faultWords(f, record).name, faultWords(f, record).text)),
		...(minutes ? [line('Hours', formatDuration(minutes))] : []),
		...(cost ? [line('Money', formatMoney(cost, currency))] : []),
		...(full && kept && (kept.place || kept.note) ? [line('Kept', kept.place, kept.note)] : []),
		...(component.note ? [line('Note', component.note)] : [])
	];
	return {
		title: `${component.code} ${component.name}`,
		componentId: id,
		lines,
		pictures: byTime(record.photos.filter((p) => p.componentId === id))
	};
}

/** Days of work in their order: what was done, what was written down, what was photographed. */
function workLog({ record }: StorySource): StoryPart[] {
	const codeOf = (id: number | null | undefined) => record.components.find((c) => c.id === id)?.code ?? '';
	const days = new Map<number, StoryPart>();
	const on = (at: LocalMinutes): StoryPart => {
		const its = days.get(dayOf(at)) ?? { title: dayAt(at), componentId: null, lines: [], pictures: [] };
		days.set(dayOf(at), its);
		return its;
	};
	for (const s of [...record.steps].sort((a, b) => (a.doneAt ?? 0) - (b.doneAt ?? 0)))
		if (s.doneAt !== null)
			on(s.doneAt).lines.push(
				line(
					codeOf(s.componentId),
					s.name,
					...record.logs.filter((l) => l.stepId === s.id).map((l) => l.note)
				)
			);
	for (const p of [...record.photos].sort((a, b) => a.takenAt - b.takenAt || a.id - b.id))
		on(p.takenAt).pictures.push(pictureOf(p));
	return [...days].sort(([a], [b]) => a - b).map(([, part]) => part);
}

/**
 * The story of a costume. The full form has everything; the short one is a work log to show to others.
 *
 * @param of one component alone; null for all of it
 */
export function storyOf(source: StorySource, form: StoryForm, of: number | null = null): Story {
	const { record, workshop, fit, wears, wear, nextTimes } = source;
	const { costume } = record;
	const trade = catalogueOf(workshop.handbook);
	const full = form === 'full';
	const parts = record.components
		.filter((c) => of === null || c.id === of)
		.map((c) => ofComponent(c, source, form, trade));
	if (of !== null)
		return { title: parts[0]?.title ?? costume.name, said: costume.name, chapters: [{ title: '', parts }] };
	const plain = (title: string, lines: StoryLine[], pictures: StoryPicture[] = []): StoryPart => ({
		title,
		componentId: null,
		lines,
		pictures
	});
	const logged = record.logs.reduce((sum, l) => sum + l.minutes, 0);
	const spend = spendOf(record, workshop);
	const money = (minor: number) => formatMoney(minor, costume.currency);
	const materialName = (id: number) => workshop.materials.find((m) => m.id === id)?.name ?? '';
	const people = wearersOf(fit).map((p) => p.name);
	const whole = plain('In all', [
		line('Components', String(record.components.length)),
		line('Hours', formatDuration(logged)),
		...(full
			? [
					line('Worn by', [...new Set([costume.wearer, ...people].filter(Boolean))].join(', ')),
					line('Money', `${money(spend.spentMinor)} spent`, `${money(spend.totalMinor)} in all`)
				]
			: [])
	]);
	const worn = wears.length
		? [
				plain(
					'Worn',
					[...wears]
						.sort((a, b) => a.wornOn - b.wornOn)
						.map((w) =>
							line(
								day(w.wornOn),
								w.occasion,
								wear.variants.find((v) => v.id === w.variantId)?.name,
								w.hours !== null && `${formatNumber(w.hours, 1)} h`,
								full && w.hurts.length > 0 && `hurt: ${w.hurts.map(zoneWords).join(', ')}`,
								w.note
							)
						)
				)
			]
		: [];
	const colours = record.palette.length
		? [
				plain(
					'Colours and mixes',
					record.palette.map((c) =>
						line(
							c.name || 'colour',
							`CIELAB ${c.lab.map((v) => formatNumber(v, 1)).join(' ')}`,
							c.mix.length > 0 &&
								c.mix
									.map((m) => `${pluralize('drop', m.drops, true)} ${materialName(m.materialId)}`)
									.join(' + '),
							c.componentIds.length > 0 &&
								record.components
									.filter((k) => c.componentIds.includes(k.id))
									.map((k) => k.code)
									.join(', '),
							c.note
						)
					)
				)
			]
		: [];
	const swatches = record.swatches.length
		? [
				plain(
					'Swatches',
					record.swatches.map((s) =>
						line(
							day(s.madeOn),
							trade.recipe[s.recipe]?.name ?? s.recipe,
							s.verdict,
							s.coatsToCover !== null && `covered after ${pluralize('coat', s.coatsToCover, true)}`,
							s.note
						)
					),
					byTime(record.photos.filter((p) => p.swatchId !== null))
				)
			]
		: [];
	const fittings = fit.fittings.length
		? [
				plain(
					'Fittings',
					fit.fittings.map((x) =>
						line(
							dayAt(x.heldAt),
							record.components
								.filter((c) => x.componentIds.includes(c.id))
								.map((c) => c.code)
								.join(', '),
							x.note
						)
					),
					byTime(record.photos.filter((p) => p.fittingId !== null))
				)
			]
		: [];
	const bought = record.purchases.length
		? [
				plain(
					'Bought',
					record.purchases.map((p) =>
						line(
							p.orderedOn === null ? capital(p.state) : day(p.orderedOn),
							`${p.packs} × ${materialName(p.materialId)}`,
							p.packPriceMinor !== null && money(p.packs * p.packPriceMinor + p.shippingMinor),
							p.supplier
						)
					)
				)
			]
		: [];
	const later = nextTimes.length
		? [
				plain(
					'Next time',
					nextTimes.map((n) => line('', n.words, n.takenTo && `is ${n.takenTo}`))
				)
			]
		: [];
	const loose = record.photos.filter(
		(p) => p.componentId === null && p.stepId === null && p.fittingId === null && p.swatchId === null
	);
	const said = [
		full && costume.wearer && `for ${costume.wearer}`,
		costume.eventName,
		dayAt(costume.eventAt)
	].filter(Boolean);
	return {
		title: costume.name,
		said: said.join(', '),
		chapters: full
			? [
					{ title: '', parts: [{ ...whole, pictures: byTime(loose) }, ...worn] },
					{ title: 'Components', parts },
					{ title: 'Finish', parts: [...colours, ...swatches] },
					{ title: 'Made and kept', parts: [...fittings, ...bought, ...later] }
				].filter((c) => c.parts.length > 0)
			: [
					{ title: '', parts: [whole, ...worn] },
					{
						title: 'What it is made of',
						parts: parts.map((p) => ({ ...p, lines: p.lines.filter(isMadeOf), pictures: [] }))
					},
					{ title: 'Work log', parts: workLog(source) }
				].filter((c) => c.parts.length > 0)
	};
}

const MADE_OF: readonly string[] = ['What it is', 'Inside', 'Recipe', 'Coats', 'Held by'];
const isMadeOf = ({ name }: StoryLine): boolean => MADE_OF.includes(name);

/** Every picture of a story once, in its order. */
export function picturesOf({ chapters }: Story): StoryPicture[] {
	const all = chapters.flatMap((c) => c.parts.flatMap((p) => p.pictures));
	return [...new Map(all.map((p) => [p.hash, p])).values()];
}
