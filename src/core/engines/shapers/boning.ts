import { piece } from '../pattern/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { bad } from '../../units/problem.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';

/** Channels evenly over a panel that is higher at one side; each bone ends short of the seam. Common practice. */
export const boning = shaper({
	name: 'boning and channels',
	makes: 'bodice, stand-up collar, fin, wing',
	params: {
		bones: { name: 'bones', unit: 'count', value: 6, least: 1, most: 60 },
		first: { name: 'height at the first', unit: 'mm', value: 280, least: 20, most: 2000 },
		last: { name: 'height at the last', unit: 'mm', value: 220, least: 20, most: 2000 },
		bone: { name: 'width of a bone', unit: 'mm', value: 6, least: 1, most: 50 },
		room: { name: 'room in the channel', unit: 'mm', value: 2, least: 0, most: 20 },
		short: { name: 'shorter than the channel at each end', unit: 'mm', value: 8, least: 0, most: 60 },
		seam: { name: 'turned under, each side', unit: 'mm', value: 6, least: 0, most: 30 }
	},
	shape({ bones, first, last, bone, room, short, seam }) {
		const heights = Array.from(
			{ length: bones },
			(_, i) => first + ((last - first) * i) / Math.max(1, bones - 1)
		);
		if (Math.min(...heights) <= 2 * short) return bad('boneVanishes', {}, ['short']);
		const wide = bone + room + 2 * seam;
		const lengths = heights.map((h) => h - 2 * short);
		return shaped(
			heights.map((h, i) =>
				piece(
					`channel ${i + 1}`,
					rectangle(wide, h, [{}, { seam: 'channel', onto: true }, {}, { seam: 'channel', onto: true }]),
					{ grain: 90, boned: lengths[i]! }
				)
			),
			{
				dimensions: [
					...lengths.map((_, i): Dimension => ({
						title: `Bone ${i + 1}`,
						of: 'length',
						formula: 'difference',
						inputs: [
							mm('channel', heights[i]!),
							mm('short at one end', short),
							mm('short at the other', short)
						]
					})),
					{
						title: 'Boning, in all',
						of: 'length',
						formula: 'sum',
						inputs: lengths.map((l, i) => mm(`bone ${i + 1}`, l))
					},
					{ title: 'Bones', of: 'count', formula: 'same', inputs: [count('bones', bones)] }
				],
				solid: heights.map((h, i) => [
					[i * 30, 0, 0],
					[i * 30, 0, h]
				])
			}
		);
	}
});
