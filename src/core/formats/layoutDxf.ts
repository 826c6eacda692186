import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import type { CutSheet } from '../engines/layout/cutSheets.ts';
import { boxOf } from '../engines/pattern/outline.ts';
import type { Point } from '../units/point.ts';
import { cutWords, sheetLefts } from './layoutSvg.ts';
import { DXF_LAYERS } from './patternDxf.ts';

/** Border of a sheet, which is not cut. */
const SHEET_LAYER = 'SHEET';
const LETTERS = 6;

/** A layout at 1:1 in mm: outlines, holes and names on the layers that pattern files have, the sheets side by side. */
export function layoutDxf(sheets: readonly CutSheet[]): string {
	const dxf = new DxfWriter();
	dxf.setUnits(Units.Millimeters);
	const { boundary, hole, text } = DXF_LAYERS;
	for (const name of [boundary, hole, text]) dxf.addLayer(name, Colors.White, 'Continuous');
	dxf.addLayer(SHEET_LAYER, Colors.Green, 'Continuous');
	const lefts = sheetLefts(sheets);
	sheets.forEach(({ form, pieces }, i) => {
		const draw = (ring: readonly Point[], layerName: string) =>
			dxf.addLWPolyline(
				ring.map(([x, y]) => ({ point: point2d(x + lefts[i]!, y) })),
				{ flags: LWPolylineFlags.Closed, layerName }
			);
		const { width: w, height: h } = form;
		draw(
			form.outline ?? [
				[0, 0],
				[w, 0],
				[w, h],
				[0, h]
			],
			SHEET_LAYER
		);
		for (const place of pieces) {
			const [outline, ...holes] = place.paths;
			holes.forEach((ring) => draw(ring, hole));
			draw(outline!, boundary);
			const box = boxOf(outline!);
			const middle = point3d(lefts[i]! + (box.left + box.right) / 2, (box.bottom + box.top) / 2);
			const words = `${place.order} ${cutWords(place)}`.replace(/[^\x20-\x7e]/g, '?');
			dxf.addText(middle, LETTERS, words, { layerName: text });
		}
	});
	return dxf.stringify();
}
