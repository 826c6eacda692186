import type { Flex, Kind, RouteKey, Side } from '../facts/component.ts';
import { ZONES, type Zone } from '../facts/zone.ts';

/** Places of the body without their side. */
export const PLACES = [
	'head',
	'face',
	'neck',
	'shoulder',
	'chest',
	'back',
	'upper-arm',
	'forearm',
	'hand',
	'waist',
	'hips',
	'thigh',
	'shin',
	'foot'
] as const;
export type Place = (typeof PLACES)[number];

/** What makers call a component, and what such a thing is as a rule. */
export interface Thing {
	name: string;
	source: string;
	/** Names of one of it; of several by adding s, unless `many` says otherwise. */
	words: readonly string[];
	/** Words that always name a pair or several: trousers do not, for they are one garment. */
	many: readonly string[];
	kind: Kind;
	places: readonly Place[];
	/** Comes left and right. */
	paired: boolean;
	/** How deep it sits as a rule: 0 is skin. */
	layer: number;
	flex: Flex;
	/** How it is made as a rule; null: it is bought. */
	route: RouteKey | null;
}

type More = Partial<Pick<Thing, 'paired' | 'flex' | 'many'>>;
const thing = (
	kind: Kind,
	words: string,
	places: readonly Place[],
	layer: number,
	route: RouteKey | null,
	more: More = {}
): Thing => ({
	name: words.split('|')[0]!,
	source: 'common practice',
	words: words.split('|'),
	many: [],
	kind,
	places,
	paired: false,
	layer,
	flex: 'rigid',
	route,
	...more
});
const pair: More = { paired: true };
const stretch: More = { flex: 'stretch' };

/** Words of the trade and what they stand for: common practice; layers are starting values, from memory. */
export const THINGS = {
	helmet: thing('armor', 'helmet|helm', ['head'], 3, 'foamPlate'),
	mask: thing('armor', 'mask|half mask', ['face'], 3, 'sculpted'),
	visor: thing('armor', 'visor|face plate|faceplate', ['face'], 4, 'printedPart'),
	goggles: thing('prop', 'goggles', ['face'], 3, 'foundObject'),
	crown: thing('prop', 'crown|tiara|circlet|diadem', ['head'], 3, 'foamPlate'),
	horn: thing('prop', 'horn|antler', ['head'], 3, 'foamPlate', pair),
	ear: thing('prop', 'ear|ear tip', ['head'], 1, 'castPart', pair),
	gorget: thing('armor', 'gorget|neck guard', ['neck'], 4, 'foamPlate'),
	pauldron: thing(
		'armor',
		'pauldron|shoulder plate|shoulder pad|shoulder',
		['shoulder'],
		4,
		'foamPlate',
		pair
	),
	breastplate: thing('armor', 'breastplate|breast plate|chest plate|chestplate', ['chest'], 3, 'foamPlate'),
	backplate: thing('armor', 'backplate|back plate', ['back'], 3, 'foamPlate'),
	cuirass: thing('armor', 'cuirass|torso armor|torso armour', ['chest', 'back'], 3, 'foamPlate'),
	upperArm: thing('armor', 'rerebrace|upper arm plate|arm plate', ['upper-arm'], 3, 'foamPlate', pair),
	bracer: thing('armor', 'bracer|vambrace|arm guard|forearm plate', ['forearm'], 3, 'foamPlate', pair),
	gauntlet: thing('armor', 'gauntlet', ['hand', 'forearm'], 3, 'foamPlate', pair),
	claw: thing('armor', 'claw|hand claw', ['hand'], 3, 'foamPlate', { paired: true }),
	fauld: thing('armor', 'fauld|hip armor|hip armour|waist armor|waist armour', ['hips'], 3, 'foamPlate'),
	tasset: thing('armor', 'tasset|hip plate', ['thigh'], 4, 'foamPlate', pair),
	cuisse: thing('armor', 'cuisse|thigh plate|thigh guard', ['thigh'], 3, 'foamPlate', pair),
	greave: thing('armor', 'greave|shin guard|shin plate|leg guard', ['shin'], 3, 'foamPlate', pair),
	sabaton: thing('armor', 'sabaton|boot cover|shoe cover|foot plate', ['foot'], 3, 'foamPlate', pair),
	plate: thing('armor', 'plate|armor|armour', ['chest'], 3, 'foamPlate'),

	bodysuit: thing(
		'garment',
		'bodysuit|body suit|undersuit|under suit|catsuit|leotard|unitard',
		['chest', 'back', 'waist', 'hips', 'upper-arm', 'forearm', 'thigh', 'shin'],
		1,
		'stretchGarment',
		stretch
	),
	leggings: thing('garment', 'leggings|tights|hose', ['hips', 'thigh', 'shin'], 1, 'stretchGarment', stretch),
	shirt: thing(
		'garment',
		'shirt|blouse|undershirt|top',
		['chest', 'back', 'upper-arm', 'forearm'],
		1,
		'wovenGarment'
	),
	trousers: thing('garment', 'trousers|pants|breeches|shorts', ['hips', 'thigh', 'shin'], 1, 'wovenGarment'),
	tunic: thing('garment', 'tunic|tabard|surcoat', ['chest', 'back', 'waist', 'hips'], 2, 'wovenGarment'),
	dress: thing('garment', 'dress|gown', ['chest', 'back', 'waist', 'hips', 'thigh'], 2, 'wovenGarment'),
	corset: thing('garment', 'corset|bodice|stays|waspie', ['chest', 'back', 'waist'], 2, 'wovenGarment'),
	vest: thing('garment', 'vest|waistcoat|doublet|jerkin', ['chest', 'back'], 2, 'wovenGarment'),
	skirt: thing('garment', 'skirt|kilt|overskirt', ['waist', 'hips', 'thigh'], 2, 'wovenGarment'),
	petticoat: thing('garment', 'petticoat|underskirt|tutu', ['waist', 'hips', 'thigh'], 1, 'layeredSkirt'),
	coat: thing(
		'garment',
		'coat|jacket|frock coat|tailcoat',
		['chest', 'back', 'upper-arm', 'forearm', 'hips'],
		3,
		'wovenGarment'
	),
	robe: thing(
		'garment',
		'robe|kimono',
		['chest', 'back', 'upper-arm', 'forearm', 'hips', 'thigh', 'shin'],
		3,
		'wovenGarment'
	),
	cloak: thing('garment', 'cloak|cape|mantle|shawl', ['shoulder', 'back'], 5, 'wovenGarment'),
	hood: thing('garment', 'hood|cowl', ['head', 'neck'], 4, 'wovenGarment'),
	hat: thing('garment', 'hat|cap|beret|bonnet|headdress', ['head'], 3, 'wovenGarment'),
	collar: thing('garment', 'collar|ruff', ['neck'], 4, 'wovenGarment'),
	scarf: thing('garment', 'scarf|neckerchief|tie', ['neck'], 4, 'wovenGarment'),
	sleeve: thing('garment', 'sleeve|arm warmer', ['upper-arm', 'forearm'], 2, 'wovenGarment', pair),
	glove: thing('garment', 'glove|mitten|fingerless glove', ['hand'], 2, 'stretchGarment', {
		paired: true,
		flex: 'stretch'
	}),
	cuff: thing('garment', 'cuff', ['forearm'], 3, 'wovenGarment', pair),
	sash: thing('garment', 'sash|obi', ['waist'], 4, 'wovenGarment'),
	apron: thing('garment', 'apron|loincloth', ['waist', 'thigh'], 3, 'wovenGarment'),
	sock: thing('garment', 'sock|stocking', ['shin', 'foot'], 1, 'stretchGarment', {
		paired: true,
		flex: 'stretch'
	}),
	boot: thing('garment', 'boot|thigh boot', ['foot', 'shin'], 2, 'alteredGarment', pair),
	shoe: thing('garment', 'shoe|sandal|hoof|hoove', ['foot'], 2, 'alteredGarment', pair),
	spat: thing('garment', 'spat|gaiter|leg warmer', ['shin'], 3, 'wovenGarment', pair),
	belt: thing('garment', 'belt|girdle|harness', ['waist'], 4, 'wovenGarment'),
	tail: thing('garment', 'tail', ['hips'], 3, 'wovenGarment'),
	fursuitHead: thing('garment', 'creature head|animal head', ['head', 'face'], 3, 'clothWrappedFoam'),
	paw: thing('garment', 'paw|foot paw|hand paw', ['hand'], 3, 'clothWrappedFoam', pair),

	wig: thing('wig', 'wig|hair', ['head'], 1, 'wig'),
	beard: thing('wig', 'beard|moustache|mustache', ['face'], 1, 'wig'),

	staff: thing('prop', 'staff|spear|halberd|pole|trident', ['hand'], 5, 'foundObject', { many: ['staves'] }),
	sword: thing('prop', 'sword|blade|dagger|knife|katana|sabre|saber|rapier', ['hand'], 5, 'foamPlate', {
		many: ['knives']
	}),
	axe: thing('prop', 'axe|hammer|mace|scythe', ['hand'], 5, 'foamPlate'),
	bow: thing('prop', 'bow|crossbow', ['hand'], 5, 'foamPlate'),
	firearm: thing('prop', 'pistol|rifle|blaster|gun|cannon', ['hand'], 5, 'printedPart'),
	shield: thing('prop', 'shield|buckler', ['forearm'], 5, 'foamPlate'),
	lantern: thing('prop', 'lantern|lamp|torch', ['hand'], 5, 'printedPart'),
	wand: thing('prop', 'wand|sceptre|scepter', ['hand'], 5, 'foundObject'),
	book: thing('prop', 'book|tome|scroll', ['hand'], 5, 'foundObject'),
	wing: thing('prop', 'wing', ['back'], 5, 'foamPlate', pair),
	jewel: thing('prop', 'amulet|pendant|necklace|brooch|medallion|gem|jewel', ['neck'], 4, 'castPart'),
	earring: thing('prop', 'earring', ['head'], 3, 'castPart', pair),
	bracelet: thing('prop', 'bracelet|bangle|ring', ['forearm'], 4, 'castPart'),
	pouch: thing('prop', 'pouch|bag|purse|satchel', ['hips'], 5, 'wovenGarment', { many: ['pouches'] }),
	scabbard: thing('prop', 'scabbard|sheath|quiver|holster', ['hips'], 5, 'foamPlate'),
	backpack: thing('prop', 'backpack|jetpack|pack', ['back'], 5, 'foamPlate'),
	buckle: thing('prop', 'buckle|clasp|emblem|badge', ['waist'], 5, 'castPart')
} as const satisfies Record<string, Thing>;

/** Zones of a place: both where it has sides and none is said. */
export function zonesAt(places: readonly Place[], side: Side): Zone[] {
	return ZONES.filter((zone) => {
		const of = /-(left|right)$/.exec(zone)?.[1];
		const place = of ? zone.slice(0, -of.length - 1) : zone;
		if (!(places as readonly string[]).includes(place)) return false;
		return !of || side === 'none' || side === 'pair' || side === of;
	});
}
