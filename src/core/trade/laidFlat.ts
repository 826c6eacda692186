import type { Material } from '../facts/material.ts';

/** How far a material follows a curved shape it is cut flat for: the largest strain, as a share. From memory, common practice. */
export const LAID_FLAT = {
	wovenOnGrain: { words: 'woven cloth, on the grain', share: 0.01 },
	plateFoam: { words: 'plate foam, cold', share: 0.03 },
	wovenOffGrain: { words: 'woven cloth, off the grain', share: 0.04 },
	felt: { words: 'felt or fleece', share: 0.05 },
	plateFoamHot: { words: 'plate foam with heat', share: 0.1 },
	thermoplastic: { words: 'thermoplastic, hot', share: 0.15 }
} as const satisfies Record<string, { words: string; share: number }>;
/** Whether a face is pulled farther than the material gives: what was pressed to the limit lies on it to a thousandth. */
export const isBeyond = (strain: number, limit: number): boolean => strain > limit * 1.001;

export type LaidFlatKey = keyof typeof LAID_FLAT;
export const LAID_FLAT_KEYS = Object.keys(LAID_FLAT) as [LaidFlatKey, ...LaidFlatKey[]];

/** What is said of how a material is worked, by its place in the list; 0 goes by the material itself. */
export const givesAt = (
	index: number,
	material: Parameters<typeof takesStrain>[0]
): ReturnType<typeof takesStrain> => {
	const key = LAID_FLAT_KEYS[index - 1];
	return key ? { ...LAID_FLAT[key], key } : takesStrain(material);
};

/** Stretch cloth gives way by half of what it stretches at most. */
const OF_STRETCH = 0.5;

/** What a material takes, as a share, and in which words: a cloth that stretches by its stretch, the others as their family does. */
export function takesStrain(material: Pick<Material, 'family' | 'stretchAcross' | 'stretchAlong'> | null): {
	share: number;
	words: string;
	key: LaidFlatKey | null;
} {
	const stretch = Math.min(material?.stretchAcross ?? 0, material?.stretchAlong ?? 0);
	if (stretch > 0)
		return { share: (OF_STRETCH * stretch) / 100, words: 'half of how far it stretches', key: null };
	const key: LaidFlatKey =
		material?.family === 'cloth'
			? 'wovenOffGrain'
			: material?.family === 'hard'
				? 'thermoplastic'
				: 'plateFoamHot';
	return { ...LAID_FLAT[key], key };
}
