import type { ComponentInput } from '../commands/component.ts';
import type { CoatProductKey } from '$core/finish/coatProduct.ts';
import type { Family } from '$core/needs/material.ts';

/**
 * The demo: three costumes of our own invention around a harbour-town pageant. Invented throughout;
 * dates are counted from the day it is laid out.
 */
export interface DemoMaterial {
	name: string;
	family: Family;
	unit: string;
	pack: number;
	price: number;
	supplier: string;
	lead: number;
	stash?: number;
	coat?: CoatProductKey;
}

export const MATERIALS: readonly DemoMaterial[] = [
	{
		name: 'High-density foam 6 mm',
		family: 'foam',
		unit: 'sheet',
		pack: 1,
		price: 1390,
		supplier: 'foam shop',
		lead: 4,
		stash: 1
	},
	{
		name: 'High-density foam 2 mm',
		family: 'foam',
		unit: 'sheet',
		pack: 1,
		price: 690,
		supplier: 'foam shop',
		lead: 4,
		stash: 2
	},
	{
		name: 'High-density foam 10 mm',
		family: 'foam',
		unit: 'sheet',
		pack: 1,
		price: 1890,
		supplier: 'foam shop',
		lead: 12
	},
	{
		name: 'Foam half-round 20 mm',
		family: 'foam',
		unit: 'm',
		pack: 1,
		price: 350,
		supplier: 'foam shop',
		lead: 4
	},
	{
		name: 'Thermoplastic sheet 1 mm',
		family: 'hard',
		unit: 'sheet',
		pack: 1,
		price: 4200,
		supplier: 'sheet plastics by post',
		lead: 9
	},
	{
		name: 'Acrylic globe 200 mm',
		family: 'hard',
		unit: 'piece',
		pack: 1,
		price: 1650,
		supplier: 'sheet plastics by post',
		lead: 9
	},
	{
		name: 'Casting resin',
		family: 'hard',
		unit: 'g',
		pack: 1000,
		price: 2950,
		supplier: 'mould house',
		lead: 6
	},
	{
		name: 'Waxed linen, slate',
		family: 'cloth',
		unit: 'm',
		pack: 0.5,
		price: 780,
		supplier: 'cloth market',
		lead: 0
	},
	{
		name: 'Lining cotton',
		family: 'cloth',
		unit: 'm',
		pack: 0.5,
		price: 290,
		supplier: 'cloth market',
		lead: 0,
		stash: 1.5
	},
	{
		name: 'Soft net, sea green',
		family: 'cloth',
		unit: 'm',
		pack: 1,
		price: 320,
		supplier: 'net mill',
		lead: 10
	},
	{
		name: 'Structure net, white',
		family: 'cloth',
		unit: 'm',
		pack: 1,
		price: 260,
		supplier: 'net mill',
		lead: 10
	},
	{
		name: 'Stretch satin, pearl',
		family: 'cloth',
		unit: 'm',
		pack: 0.5,
		price: 740,
		supplier: 'cloth market',
		lead: 0
	},
	{
		name: 'Faux leather, tar brown',
		family: 'cloth',
		unit: 'm',
		pack: 0.5,
		price: 990,
		supplier: 'cloth market',
		lead: 0,
		stash: 0.4
	},
	{
		name: 'Base wig, grey',
		family: 'hair',
		unit: 'piece',
		pack: 1,
		price: 3400,
		supplier: 'hair by post',
		lead: 8
	},
	{
		name: 'Wefts, silver',
		family: 'hair',
		unit: 'm',
		pack: 2,
		price: 1250,
		supplier: 'hair by post',
		lead: 8
	},
	{
		name: 'Webbing 25 mm',
		family: 'closure',
		unit: 'm',
		pack: 5,
		price: 590,
		supplier: 'haberdasher',
		lead: 2,
		stash: 2
	},
	{
		name: 'Side-release buckle 25 mm',
		family: 'closure',
		unit: 'piece',
		pack: 4,
		price: 480,
		supplier: 'haberdasher',
		lead: 2
	},
	{
		name: 'Hook-and-loop, sew-on',
		family: 'closure',
		unit: 'm',
		pack: 1,
		price: 210,
		supplier: 'haberdasher',
		lead: 2,
		stash: 0.5
	},
	{
		name: 'Brass eyelets 8 mm',
		family: 'closure',
		unit: 'piece',
		pack: 50,
		price: 620,
		supplier: 'haberdasher',
		lead: 2
	},
	{
		name: 'Warm white LED strand',
		family: 'light',
		unit: 'piece',
		pack: 1,
		price: 890,
		supplier: 'lamp bench',
		lead: 5
	},
	{
		name: 'AA cells',
		family: 'light',
		unit: 'piece',
		pack: 4,
		price: 450,
		supplier: 'corner shop',
		lead: 0,
		stash: 2
	},
	{
		name: 'Contact cement',
		family: 'glue',
		unit: 'ml',
		pack: 250,
		price: 890,
		supplier: 'hardware store',
		lead: 0,
		stash: 120
	},
	{
		name: 'Diluted PVA, 500 ml',
		family: 'paint',
		unit: 'bottle',
		pack: 1,
		price: 560,
		supplier: 'hardware store',
		lead: 0,
		stash: 1,
		coat: 'pva'
	},
	{
		name: 'Filler primer, grey',
		family: 'paint',
		unit: 'can',
		pack: 1,
		price: 990,
		supplier: 'hardware store',
		lead: 0,
		stash: 1,
		coat: 'fillerPrimer'
	},
	{
		name: 'Acrylic spray, old brass',
		family: 'paint',
		unit: 'can',
		pack: 1,
		price: 850,
		supplier: 'paint by post',
		lead: 6,
		coat: 'acrylicSpray'
	},
	{
		name: 'Enamel spray, lamp black',
		family: 'paint',
		unit: 'can',
		pack: 1,
		price: 920,
		supplier: 'paint by post',
		lead: 6,
		coat: 'enamelSpray'
	},
	{
		name: 'Clear spray, matt',
		family: 'paint',
		unit: 'can',
		pack: 1,
		price: 1090,
		supplier: 'hardware store',
		lead: 0,
		stash: 1,
		coat: 'clearSpray'
	},
	{
		name: 'Brushed acrylic, verdigris',
		family: 'paint',
		unit: 'tube',
		pack: 1,
		price: 420,
		supplier: 'art shop',
		lead: 1,
		stash: 2,
		coat: 'brushedAcrylic'
	}
];

export interface DemoComponent extends Partial<Omit<ComponentInput, 'parentId'>> {
	name: string;
	/** The name of the component it is a part of. */
	of?: string;
	/** Larger or smaller than the route's middling component. */
	scale?: number;
	/** How many of its first steps are done. */
	done?: number | 'all';
	/** Material names with quantities for all copies. */
	needs?: Record<string, number>;
}

export interface DemoPurchase {
	material: string;
	packs: number;
	state: 'planned' | 'ordered' | 'arrived' | 'used';
	/** Days from today: ordered on, promised for. */
	ordered?: number;
	due?: number;
	shipping?: number;
	for?: string;
}

export interface DemoFault {
	component: string;
	symptom: string;
	cause: string;
	cure: string;
	occasion: 'test wear' | 'event' | 'storage' | 'transport';
	daysAgo: number;
	lost: number;
	mended: boolean;
	/** The index of the earlier fault that came back as this one. */
	backOf?: number;
}

export interface DemoCostume {
	name: string;
	wearer: string;
	event: string;
	inDays: number;
	buffer: number;
	limit: number;
	note: string;
	components: readonly DemoComponent[];
	purchases: readonly DemoPurchase[];
	faults: readonly DemoFault[];
	/** Name of the component whose last done step was just finished, so that it is drying. */
	drying?: string;
}

export const COSTUMES: readonly DemoCostume[] = [
	{
		name: 'Lamplighter of Quay Nine',
		wearer: 'Ona',
		event: 'Harbour pageant, lantern night',
		inDays: 36,
		buffer: 2,
		limit: 32000,
		note: 'Faithful to our own sketch: tar, brass and lamp glow. The lantern must pass the bag check.',
		drying: 'Breastplate',
		components: [
			{
				name: 'Breastplate',
				scale: 3.5,
				kind: 'armor',
				form: '6 mm foam plates, riveted look',
				layer: 3,
				zones: ['chest', 'waist'],
				route: 'foamPlate',
				lookNeed: 5,
				done: 12,
				needs: {
					'High-density foam 6 mm': 1.5,
					'High-density foam 2 mm': 1,
					'Contact cement': 90,
					'Webbing 25 mm': 1.6,
					'Side-release buckle 25 mm': 4
				}
			},
			{
				name: 'Quay badge',
				of: 'Breastplate',
				kind: 'armor',
				form: 'cast resin',
				layer: 4,
				zones: ['chest'],
				route: 'castPart',
				count: 6,
				lookNeed: 3,
				done: 2,
				needs: { 'Casting resin': 240 }
			},
			{
				name: 'Pauldrons',
				scale: 2.4,
				kind: 'armor',
				form: '6 mm foam, three lames',
				layer: 4,
				zones: ['shoulder-left', 'shoulder-right'],
				side: 'pair',
				route: 'foamPlate',
				lookNeed: 4,
				done: 4,
				needs: { 'High-density foam 6 mm': 1, 'Contact cement': 80, 'Webbing 25 mm': 1 }
			},
			{
				name: 'Bracers',
				scale: 1.8,
				kind: 'armor',
				form: 'cloth-wrapped foam',
				layer: 3,
				zones: ['forearm-left', 'forearm-right'],
				side: 'pair',
				route: 'clothWrappedFoam',
				lookNeed: 3,
				done: 3,
				needs: { 'High-density foam 2 mm': 1, 'Faux leather, tar brown': 0.6, 'Brass eyelets 8 mm': 24 }
			},
			{
				name: 'Greaves',
				scale: 2,
				kind: 'armor',
				form: 'thermoplastic over foam',
				layer: 3,
				zones: ['shin-left', 'shin-right'],
				side: 'pair',
				route: 'thermoplasticOverFoam',
				lookNeed: 3,
				done: 1,
				needs: { 'Thermoplastic sheet 1 mm': 1, 'High-density foam 6 mm': 0.7, 'Webbing 25 mm': 1.2 }
			},
			{
				name: 'Watch coat',
				scale: 3,
				kind: 'garment',
				form: 'waxed linen, lined',
				layer: 2,
				zones: ['chest', 'back', 'upper-arm-left', 'upper-arm-right', 'hips'],
				flex: 'rigid',
				route: 'wovenGarment',
				lookNeed: 5,
				done: 6,
				needs: { 'Waxed linen, slate': 3.5, 'Lining cotton': 3 }
			},
			{
				name: 'Keel wig',
				kind: 'wig',
				form: 'base wig with wefts',
				layer: 1,
				zones: ['head'],
				flex: 'stretch',
				route: 'wig',
				lookNeed: 3,
				needs: { 'Base wig, grey': 1, 'Wefts, silver': 4 }
			},
			{
				name: 'Great lantern',
				kind: 'prop',
				form: 'globe on a carved staff',
				layer: 5,
				zones: ['hand-right'],
				side: 'right',
				route: 'sculpted',
				lookNeed: 5,
				done: 1,
				scale: 1.5,
				needs: { 'Acrylic globe 200 mm': 1, 'High-density foam 10 mm': 1 }
			},
			{
				name: 'Lamp heart',
				of: 'Great lantern',
				kind: 'prop',
				form: 'LED strand, diffused',
				layer: 5,
				zones: ['hand-right'],
				side: 'right',
				route: 'light',
				lookNeed: 4,
				needs: { 'Warm white LED strand': 1, 'AA cells': 4 }
			},
			{
				name: 'Sea boots',
				kind: 'garment',
				form: 'rubber boots, own',
				layer: 2,
				zones: ['foot-left', 'foot-right'],
				side: 'pair',
				source: 'have',
				lookNeed: 2
			}
		],
		purchases: [
			{
				material: 'High-density foam 6 mm',
				packs: 3,
				state: 'arrived',
				ordered: -26,
				due: -22,
				shipping: 490
			},
			{ material: 'High-density foam 2 mm', packs: 1, state: 'arrived', ordered: -26, due: -22 },
			{ material: 'Waxed linen, slate', packs: 7, state: 'used', ordered: -20, due: -20 },
			{ material: 'Casting resin', packs: 1, state: 'arrived', ordered: -18, due: -12, shipping: 350 },
			{
				material: 'Thermoplastic sheet 1 mm',
				packs: 1,
				state: 'ordered',
				ordered: -15,
				due: -3,
				shipping: 690
			},
			{ material: 'Acrylic globe 200 mm', packs: 1, state: 'ordered', ordered: -5, due: 6 },
			{ material: 'Base wig, grey', packs: 1, state: 'planned', for: 'Keel wig' },
			{ material: 'Wefts, silver', packs: 2, state: 'planned', for: 'Keel wig' },
			{ material: 'Acrylic spray, old brass', packs: 2, state: 'planned' }
		],
		faults: [
			{
				component: 'Pauldrons',
				symptom: 'slumps or sticks out',
				cause: 'anchors too close, no lower tie',
				cure: 'lower tie, inner lift',
				occasion: 'test wear',
				daysAgo: 2,
				lost: 25,
				mended: false
			}
		]
	},
	{
		name: 'Foam-Crest Dancer',
		wearer: 'Maro',
		event: 'Harbour pageant, tide dance',
		inDays: 64,
		buffer: 3,
		limit: 21000,
		note: 'Made for another wearer: fittings by appointment. Twelve net layers, sea green over white.',
		components: [
			{
				name: 'Tide skirt',
				scale: 1.6,
				kind: 'garment',
				form: 'twelve net layers on a basque',
				layer: 2,
				zones: ['hips', 'thigh-left', 'thigh-right'],
				route: 'layeredSkirt',
				lookNeed: 5,
				done: 2,
				needs: { 'Soft net, sea green': 22, 'Structure net, white': 18, 'Lining cotton': 1 }
			},
			{
				name: 'Pearl bodice',
				scale: 1.5,
				kind: 'garment',
				form: 'stretch satin',
				layer: 1,
				zones: ['chest', 'back', 'waist'],
				flex: 'stretch',
				route: 'stretchGarment',
				lookNeed: 5,
				done: 1,
				needs: { 'Stretch satin, pearl': 2 }
			},
			{
				name: 'Wave embroidery',
				of: 'Pearl bodice',
				kind: 'garment',
				form: 'couched cord',
				layer: 2,
				zones: ['chest'],
				route: 'applique',
				lookNeed: 2,
				needs: {}
			},
			{
				name: 'Spray crown',
				kind: 'prop',
				form: 'printed, five fans',
				layer: 3,
				zones: ['head'],
				route: 'printedPart',
				count: 5,
				lookNeed: 4,
				needs: {}
			},
			{
				name: 'Long gloves',
				kind: 'garment',
				form: 'satin, bought and dyed',
				layer: 1,
				zones: ['hand-left', 'hand-right', 'forearm-left', 'forearm-right'],
				side: 'pair',
				flex: 'stretch',
				source: 'alter',
				route: 'alteredGarment',
				lookNeed: 2,
				needs: {}
			}
		],
		purchases: [{ material: 'Stretch satin, pearl', packs: 4, state: 'arrived', ordered: -6, due: -6 }],
		faults: []
	},
	{
		name: 'Ferrywoman of the Low Tide',
		wearer: 'Ona',
		event: 'Winter market parade',
		inDays: 12,
		buffer: 1,
		limit: 9000,
		note: 'Worn last year; to be mended and packed again.',
		components: [
			{
				name: 'Oilskin cape',
				kind: 'garment',
				form: 'coated cloth',
				layer: 4,
				zones: ['shoulder-left', 'shoulder-right', 'back'],
				route: 'wovenGarment',
				lookNeed: 5,
				done: 'all'
			},
			{
				name: 'Rope belt',
				kind: 'garment',
				form: 'plaited cord',
				layer: 3,
				zones: ['waist'],
				route: 'applique',
				lookNeed: 2,
				done: 'all'
			},
			{
				name: 'Oar',
				kind: 'prop',
				form: 'foam on a tube',
				layer: 5,
				zones: ['hand-left'],
				side: 'left',
				route: 'foundObject',
				lookNeed: 4,
				done: 'all'
			},
			{
				name: 'Tide mask',
				kind: 'armor',
				form: 'sculpted, painted',
				layer: 2,
				zones: ['face'],
				route: 'sculpted',
				lookNeed: 4,
				done: 'all'
			}
		],
		purchases: [],
		faults: [
			{
				component: 'Oilskin cape',
				symptom: 'rust marks',
				cause: 'plain steel eyelets, washed',
				cure: 'replace with brass',
				occasion: 'storage',
				daysAgo: 40,
				lost: 30,
				mended: true
			},
			{
				component: 'Tide mask',
				symptom: 'strap torn out',
				cause: 'strap fixed to bare foam',
				cure: 'cloth patch inside, re-rivet',
				occasion: 'event',
				daysAgo: 200,
				lost: 20,
				mended: true
			},
			{
				component: 'Tide mask',
				symptom: 'strap torn out',
				cause: 'patch too small',
				cure: 'larger cloth patch, re-rivet',
				occasion: 'test wear',
				daysAgo: 1,
				lost: 15,
				mended: false,
				backOf: 1
			}
		]
	}
];
