import type { Point } from '../../units/point.ts';
import { LEAST_HOLE } from './copies.ts';
import { turn } from './overlap.ts';
import type { Bin } from './item.ts';
import type { Item } from './item.ts';
import { areaOf, shapeOf } from './shape.ts';
import { grown, wound } from './stock.ts';
import type { SheetForm } from '../../facts/layout.ts';

/** Sheets in the plane of the search, side by side. */

/** Between them, mm: wider than any piece reaches over. */
export const APART = 1000;
/** Less is nothing, mm². */
const LEAST_AREA = 1;

/** A sheet in the plane of the search, with what of it cannot be used as things that do not move. */
export interface Place {
	form: SheetForm;
	/** Of its lower left corner in the plane. */
	left: number;
	bin: Bin;
	fixed: Item[];
	at: { x: number; y: number }[];
}

export function placeOf(form: SheetForm, left: number, inset: number, gap: number): Place {
	const bin = {
		left: left + inset,
		low: inset,
		right: left + form.width - inset,
		high: form.height - inset
	};
	const fixed: Item[] = [];
	const at: { x: number; y: number }[] = [];
	const put = (paths: Point[][]) => {
		const { shape, middle } = shapeOf(paths);
		fixed.push({ shape, turns: [turn(shape, 0)], fixed: true, hugs: null });
		at.push({ x: left + middle[0], y: middle[1] });
	};
	if (form.outline) {
		const around: Point[] = [
			[-APART / 4, -APART / 4],
			[form.width + APART / 4, -APART / 4],
			[form.width + APART / 4, form.height + APART / 4],
			[-APART / 4, form.height + APART / 4]
		];
		const inner = grown([wound(form.outline, true)], -inset)
			.filter((p) => areaOf(p) > LEAST_AREA)
			.map((p) => wound(p, false));
		put([around, ...inner]);
	}
	for (const flaw of form.flaws ?? [])
		if (flaw.length > 2 && Math.abs(areaOf(flaw)) > LEAST_HOLE)
			put(grown([wound(flaw, true)], gap / 2).slice(0, 1));
	return { form, left, bin, fixed, at };
}
