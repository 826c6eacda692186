/** What a picture is given its scale by: how many points are clicked for it, and how. */
export const SCALE_BY = {
	rectangle: {
		count: 4,
		how: 'Click the four corners of a known rectangle, going round; begin with a long side. It works at any slant.'
	},
	length: {
		count: 2,
		how: 'Click the ends of one known length. The picture must be taken square on, or only what lies along it is true.'
	},
	height: {
		count: 2,
		how: 'Click the crown and the soles of a figure that stands upright. Give the wearer’s height, and every part comes out at the wearer’s size.'
	}
} as const;
export type ScaleKind = keyof typeof SCALE_BY;
