import pluralize from 'pluralize';
import { spendOf } from '../answers/spend.ts';
import { referencesOf } from '../facts/picture.ts';
import { purchaseCost } from '../facts/material.ts';
import { wearersOf } from '../facts/measureRecord.ts';
import { zoneWords } from '../facts/zone.ts';
import { catalogueOf } from '../trade/catalogue.ts';
import { formatDuration } from '../units/duration.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';
import { formatMoney } from '../units/money.ts';
import { capital } from '../units/names.ts';
import { formatNumber } from '../units/number.ts';

import { byTime, day, dayAt, line, ofComponent, pictureOf } from './storyComponent.ts';
import type { Story, StoryForm, StoryLine, StoryPart, StoryPicture, StorySource } from './storyTypes.ts';

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
	const codesOf = (ids: readonly number[]) =>
		record.components
			.filter((c) => ids.includes(c.id))
			.map((c) => c.code)
			.join(', ');
	const worn = plain(
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
	);
	const colours = plain(
		'Colours and mixes',
		record.palette.map((c) =>
			line(
				c.name || 'colour',
				`CIELAB ${c.lab.map((v) => formatNumber(v, 1)).join(' ')}`,
				c.mix.map((m) => `${pluralize('drop', m.drops, true)} ${materialName(m.materialId)}`).join(' + '),
				codesOf(c.componentIds),
				c.note
			)
		)
	);
	const swatches = plain(
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
	);
	const fittings = plain(
		'Fittings',
		fit.fittings.map((x) => line(dayAt(x.heldAt), codesOf(x.componentIds), x.note)),
		byTime(record.photos.filter((p) => p.fittingId !== null))
	);
	const bought = plain(
		'Bought',
		record.purchases.map((p) => {
			const cost = purchaseCost(p);
			return line(
				p.orderedOn === null ? capital(p.state) : day(p.orderedOn),
				`${p.packs} × ${materialName(p.materialId)}`,
				cost !== null && money(cost),
				p.supplier
			);
		})
	);
	const later = plain(
		'Next time',
		nextTimes.map((n) => line('', n.words, n.takenTo && `is ${n.takenTo}`))
	);
	const { borrowed, lent } = source.shared;
	const shared = plain('Worn with other costumes', [
		...borrowed.map(({ component: c, owner }) => line(`${c.code} ${c.name}`, `of ${owner.name}`)),
		...lent.map(({ component: c, loans }) =>
			line(`${c.code} ${c.name}`, `lent to ${loans.map((l) => l.costume).join(', ')}`)
		)
	]);
	const references = plain(
		'What it was to look like',
		[],
		referencesOf(source.references).map(({ title, ...r }): StoryPicture => ({ ...r, caption: title }))
	);
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
		chapters: (full
			? [
					{ title: '', parts: [{ ...whole, pictures: byTime(loose) }, references, worn] },
					{ title: 'Components', parts },
					{ title: 'Finish', parts: [colours, swatches] },
					{ title: 'Made and kept', parts: [fittings, shared, bought, later] }
				]
			: [
					{ title: '', parts: [whole, worn] },
					{
						title: 'What it is made of',
						parts: parts.map((p) => ({ ...p, lines: p.lines.filter(isMadeOf), pictures: [] }))
					},
					{ title: 'Work log', parts: workLog(source) }
				]
		)
			.map((c) => ({ ...c, parts: c.parts.filter((p) => p.lines.length > 0 || p.pictures.length > 0) }))
			.filter((c) => c.parts.length > 0)
	};
}

const MADE_OF: readonly string[] = ['What it is', 'Inside', 'Recipe', 'Coats', 'Held by'];
const isMadeOf = ({ name }: StoryLine): boolean => MADE_OF.includes(name);

/** Every picture of a story once, in its order. */
export function picturesOf({ chapters }: Story): StoryPicture[] {
	const all = chapters.flatMap((c) => c.parts.flatMap((p) => p.pictures));
	return [...new Map(all.map((p) => [p.hash, p])).values()];
}
