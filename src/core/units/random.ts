/** Numbers in [0, 1) by chance (mulberry32): the same seed gives the same ones on every machine. */
export function seeded(seed: number): () => number {
	let state = seed >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let t = Math.imul(state ^ (state >>> 15), 1 | state);
		t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	};
}

/** The same, and numbers of the standard normal (Box & Muller, 1958). */
export function normals(seed: number): { random: () => number; normal: () => number } {
	const random = seeded(seed);
	let spare: number | null = null;
	const normal = () => {
		if (spare !== null) {
			const kept = spare;
			spare = null;
			return kept;
		}
		const radius = Math.sqrt(-2 * Math.log(1 - random()));
		const angle = 2 * Math.PI * random();
		spare = radius * Math.sin(angle);
		return radius * Math.cos(angle);
	};
	return { random, normal };
}
