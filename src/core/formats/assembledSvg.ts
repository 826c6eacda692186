import { outlinesOf } from '../answers/againstPicture.ts';
import type { Assembled } from '../answers/assembled.ts';
import { covered, type LookedFrom } from '../engines/assembly/outline.ts';
import { standSurface } from '../engines/stand/surface.ts';
import type { Point } from '../units/point.ts';
import { svgPath } from './patternSvg.ts';

/** In this order, from the left. */
const VIEWS: readonly LookedFrom[] = ['front', 'left', 'back'];
export const ASSEMBLED_VIEWS = 'from the front, the left and the back';

/** All that stands on the wearer as outlines seen from three sides, at one scale: a picture for paper, or for the mat. @param ground of the body, which hides what is behind it */
export function assembledSvg({ stand, things }: Assembled, line = '#000', ground = '#fff'): string {
	const { stature } = stand;
	const wide = stature * 0.62;
	const body = standSurface(stand, 2);
	const layers = [...things].sort((a, b) => a.component.layer - b.component.layer);
	const path = (outlines: readonly Point[][], fill: string) =>
		`<path d="${outlines.map((o) => svgPath(o, true)).join('')}" fill="${fill}"/>`;
	const views = VIEWS.map((from, i) => {
		const all = outlinesOf(layers, from);
		const drawn = (hidden: boolean) =>
			all.flatMap((t) => (t.hidden === hidden ? [path(t.outlines, '#e9cf93')] : [])).join('');
		return `<g transform="translate(${(i + 0.5) * wide} 0)">${drawn(true)}${path(covered([body], from), ground)}${drawn(false)}</g>`;
	}).join('');
	const box = [0, -stature * 1.08, VIEWS.length * wide, stature * 1.1].map((v) => v.toFixed(1));
	return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box.join(' ')}" width="${box[2]}" height="${box[3]}" stroke="${line}" stroke-width="4">${views}</svg>`;
}
