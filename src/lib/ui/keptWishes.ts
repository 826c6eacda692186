import { AIMS, type Aim } from '$core/engines/purchase/task.ts';
import { quietly } from './drafts.ts';

const PREFIX = 'dapper purchase ';

/** How somebody wants a costume's purchase chosen: kept on this device, as it is a choice under way and not a fact. */
export interface KeptWishes {
	aim: Aim;
	/** Packs that are not wanted. */
	without: string[];
}

/**
 * As it begins where nothing is kept, or what is kept is none of ours.
 * @param key of the costume, or of those that buy together
 */
export function readWishes(key: string): KeptWishes {
	const kept = quietly<Partial<KeptWishes> | null>(
		() => JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null'),
		null
	);
	const without = Array.isArray(kept?.without) ? kept.without : [];
	return {
		aim: AIMS.find((a) => a === kept?.aim) ?? AIMS[0],
		without: without.filter((p) => typeof p === 'string')
	};
}

/** Nothing is kept of what is as it begins. */
export const keepWishes = (key: string, wishes: KeptWishes): void =>
	quietly(() => {
		if (wishes.aim === AIMS[0] && wishes.without.length === 0) localStorage.removeItem(PREFIX + key);
		else localStorage.setItem(PREFIX + key, JSON.stringify(wishes));
	}, undefined);
