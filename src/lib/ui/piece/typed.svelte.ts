import { say } from '$core/units/problem.ts';
import type { Parsed } from '$core/units/problem.ts';
import { formatLength, parseSignedLength, type LengthUnit } from '$core/units/measure.ts';
import { parseNumber } from '$core/units/number.ts';

/** What was typed into the fields of a desk, until it is done; a problem is said at the field it is of. */
export class Typed {
	texts = $state<Record<string, string>>({});
	wrong = $state<{ field: string; words: string } | null>(null);

	constructor(private readonly unit: () => LengthUnit) {}

	clear(): void {
		this.texts = {};
		this.wrong = null;
	}

	/** These texts are done; what was typed since then stays. */
	done(texts: Record<string, string>): void {
		for (const field in texts) if (this.texts[field] === texts[field]) delete this.texts[field];
	}

	refuse(field: string, words: string): void {
		this.wrong = { field, words };
	}

	words(mm: number): string {
		return `${mm < 0 ? '−' : ''}${formatLength(Math.abs(mm), this.unit())}`;
	}

	/** mm: what stands there is exact, however it is shown. */
	length(field: string, standing: number): number | null {
		const text = this.texts[field];
		return text === undefined ? standing : this.read(field, parseSignedLength(text, this.unit()));
	}

	number(field: string, standing: number): number | null {
		const text = this.texts[field];
		return text === undefined ? standing : this.read(field, parseNumber(text.replace('−', '-')));
	}

	private read(field: string, parsed: Parsed<number>): number | null {
		if (parsed.ok) return parsed.value;
		this.refuse(field, say(parsed.problem));
		return null;
	}
}
