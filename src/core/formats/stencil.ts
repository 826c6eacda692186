import { Colors, DxfWriter, LWPolylineFlags, point2d, Units } from '@tarikjabiri/dxf';
import { markOutline, type Strip } from '../engines/spacing/stencil.ts';
import type { Point } from '../units/point.ts';
import { DXF_LAYERS } from './patternDxf.ts';
import { escaped, r } from './patternSvg.ts';

/** The marks of a strip where they lie; its lower left corner is the beginning. */
const marksOf = ({ mark, wide, markHigh, places, high }: Strip): Point[][] =>
	places.map((at) => markOutline(mark, wide, markHigh).map(([x, y]): Point => [x + at, y + high / 2]));

/** A strip at 1:1, one unit a mm: its outline, and what is cut out of it of the class `cut`. */
export function stencilSvg(strip: Strip, title: string): string {
	const { length, high, mark } = strip;
	const cuts = marksOf(strip)
		.map((ring) => `M${ring.map(([x, y]) => `${r(x)} ${r(y)}`).join('L')}${mark === 'line' ? '' : 'Z'}`)
		.join('');
	return `<svg xmlns="http://www.w3.org/2000/svg" width="${r(length)}mm" height="${r(high)}mm" viewBox="0 0 ${r(length)} ${r(high)}" fill="none" stroke="#000" stroke-width="0.3"><title>${escaped(title)}</title><path class="outline" d="M0 0h${r(length)}v${r(high)}h${r(-length)}Z"/><path class="cut" d="${cuts}"/></svg>`;
}

/** The same for a cutter, on the layers that pattern files have. */
export function stencilDxf(strip: Strip): string {
	const dxf = new DxfWriter();
	dxf.setUnits(Units.Millimeters);
	const { boundary, hole } = DXF_LAYERS;
	for (const name of [boundary, hole]) dxf.addLayer(name, Colors.White, 'Continuous');
	const draw = (ring: readonly Point[], layerName: string, closed: boolean) =>
		dxf.addLWPolyline(
			ring.map(([x, y]) => ({ point: point2d(x, y) })),
			{ flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None, layerName }
		);
	const { length: w, high: h } = strip;
	draw(
		[
			[0, 0],
			[w, 0],
			[w, h],
			[0, h]
		],
		boundary,
		true
	);
	for (const ring of marksOf(strip)) draw(ring, hole, strip.mark !== 'line');
	return dxf.stringify();
}
