import pluralize from 'pluralize';
import { holdsToWords, fastenerWords, joinsOf } from '../answers/joins.ts';
import { loggedByStep } from '../answers/minutes.ts';
import { spendOf } from '../answers/spend.ts';
import type { Coat } from '../facts/coat.ts';
import { copiesOf, type Component } from '../facts/component.ts';
import type { CostumeRecord, Photo } from '../facts/costume.ts';
import { isMended, type Fault } from '../facts/fault.ts';
import { inOrder } from '../facts/order.ts';
import { isRecipeCoat } from '../facts/recipe.ts';
import type { StoredShape } from '../facts/shape.ts';
import type { Workshop } from '../facts/workshop.ts';
import { zoneWords } from '../facts/zone.ts';
import { coatProductOf, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { formatDuration } from '../units/duration.ts';
import { dayOf, dayWords, type LocalMinutes } from '../units/localTime.ts';
import { formatLength } from '../units/measure.ts';
import { formatMoney } from '../units/money.ts';
import { formatNumber } from '../units/number.ts';

import type { StoryForm, StoryLine, StoryPart, StoryPicture, StorySource } from './storyTypes.ts';

/** With the year: it is read years later. */
export const day = (on: number): string => dayWords(on, 0);
export const dayAt = (at: LocalMinutes): string => day(dayOf(at));
export const line = (name: string, ...text: (string | false | null | undefined)[]): StoryLine => ({
	name,
	text: text.filter(Boolean).join('; ')
});
export const pictureOf = ({ hash, mime, caption, width, height }: Photo): StoryPicture => ({
	hash,
	mime,
	caption,
	width,
	height
});
export const byTime = (photos: readonly Photo[]): StoryPicture[] =>
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
export function ofComponent(
	component: Component,
	source: StorySource,
	form: StoryForm,
	trade: Catalogue
): StoryPart {
	const { record, workshop, wear, fit, pieces, unit, keepings } = source;
	const { id } = component;
	const full = form === 'full';
	const logged = loggedByStep(record.logs);
	const its = inOrder(record.steps, id).filter((s) => s.faultId === null);
	const all = [...record.steps, ...record.leftOut].filter((s) => s.componentId === id);
	const minutes = all.reduce((sum, s) => sum + (logged.get(s.id) ?? 0), 0);
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
