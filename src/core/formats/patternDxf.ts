import {
	Colors,
	DxfWriter,
	LWPolylineFlags,
	point2d,
	point3d,
	Units,
	type LWPolylineVertex
} from '@tarikjabiri/dxf';
import { boxOf, flattenEdge, edgesOf } from '../engines/pattern/outline.ts';
import type { Outline } from '../facts/piece.ts';
import type { Point } from '../units/point.ts';
import { notchLine } from './pieceMarks.ts';
import type { NumberedPiece } from '../engines/pattern/numbered.ts';
import { layInRows } from '../engines/pattern/tile.ts';

/** Layers of pattern files by ASTM D6673, from memory: what cutters and pattern programs look for. */
export const DXF_LAYERS = {
	boundary: '1',
	notch: '4',
	grain: '7',
	internal: '8',
	hole: '11',
	sewing: '14',
	text: '15'
} as const;
const LETTERS = 6;

/** Arcs stay arcs, curves become short lines. */
function vertices(outline: Outline): LWPolylineVertex[] {
	return edgesOf(outline).flatMap(({ from, edge }) =>
		edge.kind === 'cubic'
			? [from, ...flattenEdge(from, edge, 0.02).slice(0, -1)].map((p) => ({ point: point2d(p[0], p[1]) }))
			: [
					{
						point: point2d(from[0], from[1]),
						...(edge.kind === 'arc' && edge.bulge ? { bulge: edge.bulge } : {})
					}
				]
	);
}

/** Pieces at 1:1 in mm, each a block put in where it lies. */
export function patternDxf(pieces: readonly NumberedPiece[]): string {
	const dxf = new DxfWriter();
	dxf.setUnits(Units.Millimeters);
	for (const name of Object.values(DXF_LAYERS)) dxf.addLayer(name, Colors.White, 'Continuous');
	const closed = { flags: LWPolylineFlags.Closed };
	layInRows(pieces).pieces.forEach((laid, i) => {
		const { piece, at } = laid;
		const block = dxf.addBlock(`PIECE_${i + 1}`);
		const line = (a: Point, b: Point, layerName: string) =>
			block.addLine(point3d(a[0], a[1]), point3d(b[0], b[1]), { layerName });
		const allowed = piece.outline.edges.some((e) => e.allowance);
		const its = vertices(piece.outline);
		const cut = allowed ? laid.cut.map(([x, y]) => ({ point: point2d(x - at[0], y - at[1]) })) : its;
		block.addLWPolyline(cut, { ...closed, layerName: DXF_LAYERS.boundary });
		if (allowed) block.addLWPolyline(its, { ...closed, layerName: DXF_LAYERS.sewing });
		for (const hole of piece.holes)
			block.addLWPolyline(vertices(hole), { ...closed, layerName: DXF_LAYERS.hole });
		for (const l of piece.lines)
			block.addLWPolyline(
				l.points.map(([x, y]) => ({ point: point2d(x, y) })),
				{ layerName: DXF_LAYERS.internal }
			);
		for (const notch of piece.notches) line(...notchLine(piece, notch), DXF_LAYERS.notch);
		const box = boxOf(laid.cut.map(([x, y]): Point => [x - at[0], y - at[1]]));
		const middle: Point = [(box.left + box.right) / 2, (box.bottom + box.top) / 2];
		if (piece.grain !== null) {
			const a = (piece.grain * Math.PI) / 180;
			const half = Math.min(box.right - box.left, box.top - box.bottom) / 4;
			const by: Point = [half * Math.cos(a), half * Math.sin(a)];
			line([middle[0] - by[0], middle[1] - by[1]], [middle[0] + by[0], middle[1] + by[1]], DXF_LAYERS.grain);
		}
		const words = [`Piece Name: ${laid.code}`, `Annotation: ${piece.name}`, `Quantity: ${laid.count}`];
		words.forEach((text, k) =>
			block.addText(
				point3d(middle[0] + 4, middle[1] - k * LETTERS * 1.5),
				LETTERS,
				text.replace(/[^\x20-\x7e]/g, '?'),
				{
					layerName: DXF_LAYERS.text
				}
			)
		);
		dxf.addInsert(block.name, point3d(at[0], at[1]));
	});
	return dxf.stringify();
}
