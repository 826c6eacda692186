/** A wrap of film and tape taken from the body, as a pattern: common practice. Cautions under `bodyWrap`. */
export const BODY_WRAP = [
	'Wear what will be worn beneath, over it something thin that may be cut. Mark the middle front and back.',
	'Wrap cling film loosely, two layers, sticking to itself and not to the skin. Leave the neck free.',
	'Cover with strips of paper tape or cloth tape, each half over the one before, following the curves; do not pull.',
	'Draw on it while it is worn: middle lines, seam lines, edges, armholes, where plates bend, which side, which way is up.',
	'Put register marks across every seam line, and number the pieces before cutting.',
	'Cut it off along the middle back with blunt scissors, a hand between scissors and skin. Then let the wearer sit down and drink.',
	'Cut along the seam lines. Dart what does not lie flat; flatten, trace, and note left and right: bodies differ.'
] as const;
