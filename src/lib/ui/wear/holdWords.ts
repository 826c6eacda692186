import type { Held, Remedy } from '$core/answers/holding.ts';
import { fastenerOf } from '$core/trade/fastener.ts';
import type { Catalogue } from '$core/trade/catalogue.ts';
import { formatLength, type LengthUnit } from '$core/units/measure.ts';

/** Whether it stays on, in words. */
export function holdWords({ upTo, loads, grams }: Held): string {
	if (grams === null) return 'Its weight is not known: weigh it, or say what it is made of.';
	if (!loads) return 'Rests on the body: what closes it carries nothing.';
	if (loads.standing.tips) return 'Tips: it turns about what holds it.';
	return {
		jumping: 'Holds when jumping.',
		walking: 'Holds when walking, not when jumping.',
		standing: 'Holds only when standing still.',
		nothing: 'Does not hold.'
	}[upTo ?? 'nothing'];
}

/** What is changed, in words. */
export function remedyWords(
	{ kind, joins, changed }: Remedy,
	held: Held,
	{ trade, unit }: { trade: Catalogue; unit: LengthUnit }
): string {
	const after = joins[changed[0]!]!;
	const before = held.joins.find((j) => j.id === after.id);
	const name = fastenerOf(trade.fastener, after.fastener).name;
	const mm = (value: number) => formatLength(value, unit);
	switch (kind) {
		case 'lower':
			return `Its lower tie ${mm(before!.upMm - after.upMm)} lower`;
		case 'tie':
			return `One more tie, ${name}, ${mm(Math.max(...held.joins.map((j) => j.upMm)) - after.upMm)} below the upper`;
		case 'larger':
			return `Larger ${name}: ${mm(after.widthMm)} × ${mm(after.lengthMm)}`;
		case 'more':
			return `${after.count} × ${name}`;
		case 'other':
			return `${after.count > 1 ? `${after.count} × ` : ''}${name} instead`;
	}
}
