import { piece } from '../pattern/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { mm, count, shaped, shaper, type Dimension } from '../pattern/shaper.ts';
import { turnedMesh } from '../pattern/form.ts';
import { meridians, round } from '../pattern/solid.ts';
import { girthOver, bandLength } from '../body/girth.ts';

/** Strips wrapped round each other: each is cut at C + π·t, and the next goes over C + 2π·t. Common practice. */
export const tubeWrap = shaper({
	name: 'wrap round a tube',
	makes: 'staff sleeve, grip, ring, stacked band',
	params: {
		girth: { name: 'girth beneath', unit: 'mm', value: 100, least: 5, most: 20_000 },
		length: { name: 'length', unit: 'mm', value: 150, least: 1, most: 10_000 },
		thickness: { name: 'thickness', unit: 'mm', value: 5, least: 0.1, most: 50 },
		layers: { name: 'layers', unit: 'count', value: 1, least: 1, most: 12 }
	},
	shape({ girth, length, thickness, layers }) {
		const beneath = Array.from({ length: layers }, (_, i) => girthOver(girth, thickness * i));
		const middle = girthOver(girth, (thickness * layers) / 2) / (2 * Math.PI);
		const outside = girthOver(girth, thickness * layers) / (2 * Math.PI);
		return shaped(
			beneath.map((c, i) =>
				piece(
					layers === 1 ? 'strip' : `strip ${i + 1} of ${layers}`,
					rectangle(bandLength(c, thickness), length, [{}, { seam: 'side' }, {}, { seam: 'side' }]),
					{ grain: 0 }
				)
			),
			{
				dimensions: beneath.map((c, i): Dimension => ({
					title: layers === 1 ? 'Length of the strip' : `Length of strip ${i + 1}`,
					of: 'length',
					formula: 'bandPanel',
					inputs: [
						mm('girth beneath', c),
						mm('thickness', thickness),
						mm('gap left open', 0),
						count('panels', 1)
					]
				})),
				solid: [
					round(outside, 0),
					round(outside, length),
					...meridians(6, [
						[outside, 0],
						[outside, length]
					])
				],
				// All layers together are one wall.
				form: {
					mesh: turnedMesh([
						[middle, 0],
						[middle, length]
					]),
					way: 'round',
					at: length / 2,
					bends: true,
					thickness: thickness * layers
				}
			}
		);
	}
});
