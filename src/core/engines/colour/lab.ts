import { modeLab65, modeRgb, useMode } from 'culori/fn';
import type { Lab } from '../../units/lab.ts';

/** Red, green and blue of IEC 61966-2-1, 0 to 255; outside of that where a screen cannot show it. */
export type Srgb = readonly [r: number, g: number, b: number];

const toRgb = useMode(modeRgb);
const toLab = useMode(modeLab65);

/** CIELAB of what a screen shows. Source: IEC 61966-2-1 and CIE 15. */
export function labOf([r, g, b]: Srgb): Lab {
	const lab = toLab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
	return [lab.l, lab.a, lab.b];
}

/** What a screen would have to show for a colour; it may not be able to. */
export function srgbOf([l, a, b]: Lab): Srgb {
	const rgb = toRgb({ mode: 'lab65', l, a, b });
	return [rgb.r * 255, rgb.g * 255, rgb.b * 255];
}

/** Half a step of 255 over: rounding brings it back. */
const shows = (value: number) => value > -0.5 && value < 255.5;
export const isShown = (lab: Lab): boolean => srgbOf(lab).every(shows);

/** As near as a screen gets: `#b08d57`. */
export const hexOf = (lab: Lab): string =>
	`#${srgbOf(lab)
		.map((v) =>
			Math.round(Math.min(255, Math.max(0, v)))
				.toString(16)
				.padStart(2, '0')
		)
		.join('')}`;

/** `61.4 12.5 49.8`: lightness, green to red, blue to yellow. */
export const formatLab = (lab: Lab): string => lab.map((v) => Number(v.toFixed(2))).join(' ');

/**
 * What is typed of a colour: as a screen shows it, `#b08d57`, or three numbers of CIELAB; null for what is neither. In hundredths, of which
 * nobody sees ten, so that it stays the same however often it is shown and typed again.
 */
export function parseColour(text: string): Lab | null {
	const hex = labOfHex(text);
	if (hex) return inHundredths(hex);
	const numbers = text
		.trim()
		.split(/[\s;]+/)
		.map((part) => Number(part.replace(',', '.')));
	const [l, a, b] = numbers as [number, number, number];
	const fits = numbers.length === 3 && l >= 0 && l <= 100 && Math.abs(a) <= 150 && Math.abs(b) <= 150;
	return fits ? inHundredths([l, a, b]) : null;
}
const inHundredths = (lab: Lab) => lab.map((v) => Math.round(v * 100) / 100) as unknown as Lab;

/** CIELAB of `#b08d57`; null for other text. */
export function labOfHex(text: string): Lab | null {
	const found = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(text.trim());
	return found ? labOf([1, 2, 3].map((i) => parseInt(found[i]!, 16)) as unknown as Srgb) : null;
}
