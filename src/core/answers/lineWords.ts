/** Words that say nothing by themselves. */
export const FILLERS: ReadonlySet<string> = new Set(
	'a an the my his her and in of made from some to'.split(' ')
);

interface Word {
	/** As it was typed. */
	word: string;
	/** In small letters, without what hangs on it. */
	plain: string;
	/** The part of the line that it stands in. */
	part: number;
	taken: boolean;
}

/** Something known that stands in a line: from which word, so many words long. */
export interface Match<T> {
	its: T;
	at: number;
	long: number;
}

/**
 * The words of a line in its parts: by commas, colons, brackets and “with”; a comma between digits is a decimal one. What is
 * understood is taken out of it, and what is left names the thing.
 */
export class LineWords {
	readonly #words: Word[];

	/** @param line as it was typed; bullets and numbers of a list before it go */
	constructor(line: string) {
		const bare = line.replace(/^\s*(?:[-–•*]|\d{1,3}[.)])\s+/, '');
		this.#words = bare.split(/[;:()]|,(?!\d)|\s[–—-]\s|\swith\s/i).flatMap((text, part) =>
			text
				.split(/\s+/)
				.filter(Boolean)
				.map((word) => ({
					word,
					plain: word.toLowerCase().replace(/^["'“”]+|[.!"'“”]+$/g, ''),
					part,
					taken: false
				}))
		);
	}

	get isEmpty(): boolean {
		return this.#words.length === 0;
	}
	/** The part that a word stands in; below nothing where there is none. */
	partOf(at: number): number {
		return this.#words[at]?.part ?? -1;
	}
	/** The part with the first word that is left. */
	get firstLeft(): number {
		return this.#words.find((w) => !w.taken)?.part ?? -1;
	}
	get parts(): number[] {
		return [...new Set(this.#words.map((w) => w.part))];
	}
	/** A word behind others of the same part, in small letters; nothing where there is none. */
	next(at: number, long: number): string {
		const its = this.#words[at + long];
		return its?.part === this.partOf(at) ? its.plain : '';
	}
	/** How many words of its part are left. */
	leftIn(part: number): number {
		return this.#words.filter((w) => w.part === part && !w.taken).length;
	}
	/** Words behind these to the end of the part, in small letters, as far as they are left. */
	behind({ at, long }: Pick<Match<unknown>, 'at' | 'long'>): string[] {
		return this.#words
			.slice(at + long)
			.filter((w) => w.part === this.partOf(at) && !w.taken)
			.map((w) => w.plain);
	}

	/**
	 * Every phrase that is known and not taken, the longest from each word on, within a part.
	 *
	 * @param look what is known of a phrase, in small letters
	 * @param longest words of the longest phrase that may be known
	 */
	*matches<T>(look: (phrase: string) => T | undefined, longest: number): Generator<Match<T>> {
		for (let at = 0; at < this.#words.length; at++) {
			for (let long = Math.min(longest, this.#words.length - at); long > 0; long--) {
				const words = this.#words.slice(at, at + long);
				if (words.some((w) => w.taken || w.part !== this.partOf(at))) continue;
				const its = look(words.map((w) => w.plain.replaceAll('-', ' ')).join(' '));
				if (its === undefined) continue;
				yield { its, at, long };
				at += long - 1;
				break;
			}
		}
	}
	/** Takes words out of the line. @returns them, as they were typed */
	take(at: number, long: number): string {
		for (const w of this.#words.slice(at, at + long)) w.taken = true;
		return this.words(at, long);
	}
	words(at: number, long: number): string {
		return this.#words
			.slice(at, at + long)
			.map((w) => w.word)
			.join(' ');
	}
	/** What is left of a part, without words at its ends that say nothing. */
	left(part: number): string {
		const its = this.#words.filter((w) => !w.taken && w.part === part);
		while (its.length && FILLERS.has(its[0]!.plain)) its.shift();
		while (its.length && FILLERS.has(its.at(-1)!.plain)) its.pop();
		return its.map((w) => w.word).join(' ');
	}
}
