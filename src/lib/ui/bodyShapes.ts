/**
 * The body form in zones, our own drawing. One half is drawn; the other is its mirror about x = 100.
 * Drawn facing the viewer, the wearer's left side is on the viewer's right.
 */
export const VIEW_BOX = '16 0 168 424';

/** The middle of a shape, by its points. */
export function middleOf(path: string): [number, number] {
	const numbers = (path.match(/-?[\d.]+/g) ?? []).map(Number);
	const mean = (of: number[]) => of.reduce((a, b) => a + b, 0) / of.length;
	return [mean(numbers.filter((_, i) => i % 2 === 0)), mean(numbers.filter((_, i) => i % 2 === 1))];
}

/** Zones on the middle line, whole. */
export const MIDDLE: Record<string, string> = {
	head: 'M100 8 C116 8 125 20 124 36 C123 50 114 62 100 64 C86 62 77 50 76 36 C75 20 84 8 100 8Z',
	face: 'M88 30 C92 27 108 27 112 30 C113 42 109 54 100 57 C91 54 87 42 88 30Z',
	neck: 'M91 63 C94 66 106 66 109 63 L111 78 C105 82 95 82 89 78Z',
	chest:
		'M88 80 C94 85 106 85 112 80 L127 88 C131 108 130 126 126 146 C110 151 90 151 74 146 C70 126 69 108 73 88Z',
	back: 'M88 80 C94 83 106 83 112 80 L127 88 C131 108 130 126 126 146 C110 149 90 149 74 146 C70 126 69 108 73 88Z',
	waist: 'M74 149 C90 154 110 154 126 149 L123 178 C108 183 92 183 77 178Z',
	hips: 'M77 181 C92 186 108 186 123 181 C129 192 133 204 134 216 C120 224 108 226 100 230 C92 226 80 224 66 216 C67 204 71 192 77 181Z'
};

/** Zones of one side, on the viewer's right. */
export const SIDE: Record<string, string> = {
	shoulder: 'M114 80 L130 86 C142 88 149 96 150 108 C144 104 136 102 130 106 C129 98 128 92 127 88Z',
	'upper-arm':
		'M131 108 C138 104 145 106 151 111 C155 126 157 140 157 156 C152 160 145 160 140 157 C138 140 134 124 131 108Z',
	forearm:
		'M140 160 C146 163 152 163 157 159 C161 176 163 192 163 210 C159 213 154 213 150 211 C148 194 144 178 140 160Z',
	hand: 'M150 214 C155 216 160 216 164 213 C168 222 169 234 166 245 C162 250 157 249 155 243 C152 234 149 224 150 214Z',
	thigh:
		'M102 232 C112 228 123 226 134 219 C137 246 134 276 128 304 C121 308 113 308 107 305 C104 280 102 256 102 232Z',
	shin: 'M107 308 C114 311 121 311 128 307 C132 328 129 356 124 382 C120 385 114 385 111 382 C107 356 105 332 107 308Z',
	foot: 'M111 385 C115 388 120 388 124 385 C128 394 134 402 137 409 C137 414 132 416 126 416 L110 416 C107 408 110 396 111 385Z'
};
