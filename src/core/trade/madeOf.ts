import type { Flex, Kind, RouteKey, SurfaceKey } from '../facts/component.ts';

/** What makers say a thing is made of or how, and what follows. */
export interface MadeOf {
	words: readonly string[];
	/** How it is made of it, by what it is; null where that says nothing of how. */
	route: Readonly<Partial<Record<Kind, RouteKey>>>;
	/** Besides how it is made otherwise. */
	further: RouteKey | null;
	surface: SurfaceKey | null;
	flex: Flex | null;
	/** What it is taken for where no word says what it is. */
	kind: Kind | null;
	/** It is what the cloth is called, so that the form tells it. */
	tells: boolean;
}

type More = Partial<Omit<MadeOf, 'words'>>;
const of = (words: string, more: More): MadeOf => ({
	words: words.split('|'),
	route: {},
	further: null,
	surface: null,
	flex: null,
	kind: null,
	tells: false,
	...more
});
const hard = (route: RouteKey): MadeOf['route'] => ({ armor: route, prop: route });
const cloth = (route: RouteKey): MadeOf['route'] => ({ garment: route });

/** Common practice: what such words stand for as a rule. */
export const MADE_OF = {
	foam: of('foam|eva foam|eva|craft foam|floor mat foam', {
		route: hard('foamPlate'),
		surface: 'foam',
		kind: 'armor'
	}),
	thermoplastic: of('thermoplastic', {
		route: hard('thermoplasticOverFoam'),
		surface: 'plastic',
		kind: 'armor'
	}),
	wrapped: of('cloth wrapped|cloth covered|covered in cloth|wrapped in cloth|upholstered', {
		route: { armor: 'clothWrappedFoam', garment: 'clothWrappedFoam' },
		surface: 'cloth',
		kind: 'armor'
	}),
	sculpted: of('foam clay|clay|sculpted|carved|modelled', {
		route: hard('sculpted'),
		surface: 'clay',
		kind: 'prop'
	}),
	printed: of('3d printed|3d print|printed|3d', {
		route: hard('printedPart'),
		surface: 'print',
		kind: 'prop'
	}),
	cast: of('resin|cast|resin cast', { route: hard('castPart'), surface: 'plastic', kind: 'prop' }),
	wood: of('wood|wooden|dowel', { surface: 'wood', kind: 'prop' }),
	metal: of('metal|brass|steel|aluminium|aluminum', { surface: 'metal', kind: 'prop' }),
	found: of('found|found object|upcycled', { route: hard('foundObject'), kind: 'prop' }),
	leather: of('leather|faux leather|fake leather|suede|faux suede', {
		route: { garment: 'wovenGarment', armor: 'clothWrappedFoam' },
		surface: 'leather',
		kind: 'garment',
		tells: true
	}),
	cloth: of('linen|cotton|wool|velvet|satin|silk|brocade|denim|twill|canvas|felt|fleece|fur|faux fur', {
		route: cloth('wovenGarment'),
		surface: 'cloth',
		kind: 'garment',
		tells: true
	}),
	anyCloth: of('cloth|fabric|woven', { route: cloth('wovenGarment'), surface: 'cloth', kind: 'garment' }),
	stretch: of('stretch|stretch cloth|knit|jersey|spandex', {
		route: cloth('stretchGarment'),
		surface: 'cloth',
		flex: 'stretch',
		kind: 'garment'
	}),
	net: of('net|soft net|tulle|layered', {
		route: cloth('layeredSkirt'),
		surface: 'cloth',
		kind: 'garment'
	}),
	embroidered: of('embroidered|embroidery|appliqué|applique|appliquéd', { further: 'applique' }),
	lit: of('lights up|light up|lit|lit up|glows|glowing|glow|led|leds|lights', {
		further: 'light'
	})
} as const satisfies Record<string, MadeOf>;
