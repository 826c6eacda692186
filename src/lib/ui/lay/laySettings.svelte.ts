import type { Material } from '$core/facts/material.ts';
import { PLAIN_LAY, type LaySettings } from '$core/facts/layout.ts';
import { say } from '$core/units/problem.ts';
import { formatLength, parseLength, type LengthUnit } from '$core/units/measure.ts';
import { formatNumber, parseNumber } from '$core/units/number.ts';

/** Cloth is not used up to its selvedge, mm. Common practice; a starting value, from memory. */
const SELVEDGE = 15;

type Texts = Record<'gap' | 'edge' | 'tolerance' | 'shrinkLength' | 'shrinkWidth' | 'repeat', string>;
const LENGTHS = ['gap', 'edge', 'repeat'] as const;
const NUMBERS = { tolerance: 20, shrinkLength: 30, shrinkWidth: 30 } as const;
const MOST = { gap: 1000, edge: 1000, repeat: 5000 } as const;

/** How a material is laid, as it is typed, and what it comes to. */
export class LaySettingsForm {
	texts = $state<Texts>({} as Texts);
	folded = $state(false);
	oneWay = $state(false);
	#unit: LengthUnit;

	constructor(unit: LengthUnit, begin: LaySettings) {
		this.#unit = unit;
		this.texts = {
			gap: formatLength(begin.gap, unit),
			edge: formatLength(begin.edge, unit),
			repeat: begin.repeat ? formatLength(begin.repeat, unit) : '',
			tolerance: formatNumber(begin.tolerance),
			shrinkLength: formatNumber(begin.shrinkLength),
			shrinkWidth: formatNumber(begin.shrinkWidth)
		};
		this.folded = begin.folded;
		this.oneWay = begin.oneWay;
	}

	/** What is wrong, by field; the settings when nothing is. */
	get read(): { settings: LaySettings | null; problems: Partial<Record<keyof Texts, string>> } {
		const problems: Partial<Record<keyof Texts, string>> = {};
		const settings = { ...PLAIN_LAY, folded: this.folded, oneWay: this.oneWay };
		for (const key of LENGTHS) {
			const text = this.texts[key].trim();
			const read =
				key === 'repeat' && text === '' ? parseLength('0 mm', this.#unit) : parseLength(text, this.#unit);
			if (!read.ok) problems[key] = say(read.problem);
			else if (read.value > MOST[key]) problems[key] = `At most ${formatLength(MOST[key], this.#unit)}.`;
			else settings[key] = read.value;
		}
		for (const key of ['tolerance', 'shrinkLength', 'shrinkWidth'] as const) {
			const read = parseNumber(this.texts[key].trim() || '0');
			if (!read.ok) problems[key] = say(read.problem);
			else if (read.value < 0 || read.value > NUMBERS[key]) problems[key] = `From 0 to ${NUMBERS[key]}.`;
			else settings[key] = read.value;
		}
		return { settings: Object.keys(problems).length ? null : settings, problems };
	}
}

/** How a material is laid until somebody says otherwise. */
export const usualSettings = (material: Material): LaySettings =>
	material.lengthMm === null ? { ...PLAIN_LAY, edge: SELVEDGE } : PLAIN_LAY;
