import type { Component, Kind } from '../facts/component.ts';
import type { StandardTechnique } from './technique.ts';

/** What a change after a fitting usually takes, by kind; a starting value that the maker edits. */
const USUAL_STEP: Record<Kind, { technique: StandardTechnique; amount: number }> = {
	armor: { technique: 'cement', amount: 200 },
	garment: { technique: 'sewMachine', amount: 500 },
	wig: { technique: 'attach', amount: 1 },
	prop: { technique: 'other', amount: 15 }
};
export const usualStepFor = (component: Pick<Component, 'kind'>) => USUAL_STEP[component.kind];

/** Movements to try in a fitting, where they matter: common practice. */
export const CLEARS = [
	{
		key: 'armhole',
		words: 'Raise both arms, cross them in front: the armhole clears and nothing rides up',
		zones: ['shoulder', 'upper-arm', 'chest']
	},
	{
		key: 'elbow',
		words: 'Bend the elbow fully: no edge cuts in, hand reaches the face',
		zones: ['upper-arm', 'forearm']
	},
	{ key: 'grip', words: 'Make a fist, hold the prop, use a phone', zones: ['hand', 'forearm'] },
	{
		key: 'head',
		words: 'Turn and tip the head: see the floor, hear, drink',
		zones: ['head', 'face', 'neck']
	},
	{
		key: 'bend',
		words: 'Bend forward and to each side: edges clear each other',
		zones: ['chest', 'back', 'waist']
	},
	{
		key: 'sit',
		words: 'Sit down and get up: nothing digs in, nothing lifts',
		zones: ['waist', 'hips', 'thigh']
	},
	{
		key: 'knee',
		words: 'Bend the knee fully, kneel: the edge clears the back of the knee',
		zones: ['thigh', 'shin']
	},
	{ key: 'stairs', words: 'Walk, climb a step: shafts and hems clear', zones: ['shin', 'foot', 'hips'] },
	{ key: 'jump', words: 'Hop and shake: nothing falls off or slides', zones: [] },
	{
		key: 'breathe',
		words: 'Breathe deeply, wait five minutes: still comfortable',
		zones: ['chest', 'waist', 'neck', 'face']
	},
	{ key: 'hear', words: 'Stand behind and speak: it is heard', zones: ['head', 'face'] },
	{ key: 'drink', words: 'Drink from a bottle or straw without help', zones: ['face'] },
	{ key: 'reach', words: 'Reach phone, purse and every switch', zones: ['waist', 'hips', 'hand', 'chest'] },
	{
		key: 'car',
		words: 'Get into a car and out again, and through a door',
		zones: ['shoulder', 'back', 'hips', 'head']
	}
] as const;
export const CLEAR_KEYS = CLEARS.map((c) => c.key) as [string, ...string[]];

/** Those that the components tried call for. */
export function clearsFor(components: readonly Pick<Component, 'zones'>[]) {
	const zones = new Set<string>(
		components.flatMap((c) => c.zones.map((z) => z.replace(/-(left|right)$/, '')))
	);
	return CLEARS.filter((c) => c.zones.length === 0 || c.zones.some((z) => zones.has(z)));
}

/** Components in the order in which they are likely to be why a movement fails: what is on the zones that it tries comes first. */
export function likelyFor<C extends Pick<Component, 'zones'>>(
	{ zones }: { zones: readonly string[] },
	components: readonly C[]
): C[] {
	const isOn = ({ zones: its }: C) => its.some((z) => zones.includes(z.replace(/-(left|right)$/, '')));
	return [...components.filter(isOn), ...components.filter((c) => !isOn(c))];
}
