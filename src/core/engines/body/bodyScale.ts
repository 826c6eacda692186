/**
 * A drawn figure and its wearer seldom have the same height: what is carried keeps its share of the height.
 * @returns mm for the wearer
 */
export const scaledToWearer = (mm: number, figureStature: number, wearerStature: number): number =>
	(mm * wearerStature) / figureStature;

/** Common practice in drawing: adults stand 7 to 8 heads high, heroic figures up to 9, children 4 to 6. */
export function headsWords(heads: number): string {
	if (heads < 5) return 'childlike: shorten the limbs or enlarge the head to keep its look';
	if (heads < 7) return 'a large head: a wig, hood or helmet made larger keeps its look';
	if (heads <= 8) return 'like an adult';
	return 'heroic: long legs, small head; thick soles and a high waistline keep its look';
}
