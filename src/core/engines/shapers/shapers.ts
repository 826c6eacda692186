import { bodice } from './bodice.ts';
import { sleeve } from './sleeve.ts';
import { coat } from './coat.ts';
import { breastplate } from './breastplate.ts';
import { hood } from './hood.ts';
import { knickers } from './knickers.ts';
import { leggings } from './leggings.ts';
import { biasStrips } from './biasStrips.ts';
import { boning } from './boning.ts';
import { bow } from './bow.ts';
import { circleSkirt } from './circleSkirt.ts';
import { cone } from './cone.ts';
import { domeDisc } from './domeDisc.ts';
import { domeGores } from './domeGores.ts';
import { eyelets } from './eyelets.ts';
import { fan } from './fan.ts';
import { gathers } from './gathers.ts';
import { horn } from './horn.ts';
import { PANELS, panelShaper } from './panelShaper.ts';
import { netSkirt } from './netSkirt.ts';
import { plateBox } from './plateBox.ts';
import { pauldron } from './pauldron.ts';
import { pleats } from './pleats.ts';
import { ridge } from './ridge.ts';
import { roundArray } from './roundArray.ts';
import { ruffle } from './ruffle.ts';
import { sash } from './sash.ts';
import { scaleStrip } from './scaleStrip.ts';
import { shieldDish } from './shieldDish.ts';
import { strap } from './strap.ts';
import { taperedBand } from './taperedBand.ts';
import { tubeWrap } from './tubeWrap.ts';
import { wefts } from './wefts.ts';
import { ovalBand } from './ovalBand.ts';
import { flatPanel } from './flatPanel.ts';
import { cape } from './cape.ts';
import { glove } from './glove.ts';
import { shoeCover } from './shoeCover.ts';
import { bad } from '../../units/problem.ts';
import type { Shaper } from '../pattern/shaper.ts';

/** The family: one file a shape, one signature. */
export const SHAPERS = {
	taperedBand,
	ovalBand,
	breastplate,
	pauldron,
	cone,
	domeGores,
	domeDisc,
	shieldDish,
	tubeWrap,
	plateBox,
	ridge,
	horn,
	strap,
	eyelets,
	scaleStrip,
	fan,
	roundArray,
	flatPanel,
	circleSkirt,
	cape,
	netSkirt,
	ruffle,
	gathers,
	pleats,
	bow,
	sash,
	biasStrips,
	boning,
	bodice,
	sleeve,
	coat,
	hood,
	knickers,
	leggings,
	glove,
	shoeCover,
	wefts
} as const satisfies Record<string, Shaper>;

export type ShaperKey = keyof typeof SHAPERS;

/** Where pieces come from that no shaper made: they are kept as they are. */
const brought = (name: string, makes: string): Shaper => ({
	name,
	makes,
	params: {},
	shape: () => bad('nothingBrought')
});
export const ORIGINS = {
	unfolded: brought('unfolded shape', 'unfolded from a faceted shape'),
	imported: brought('imported pieces', 'read from a file'),
	traced: brought('traced pieces', 'traced from a photo or a scan')
} as const satisfies Record<string, Shaper>;
export type OriginKey = keyof typeof ORIGINS;
export const ORIGIN_KEYS = Object.keys(ORIGINS) as [OriginKey, ...OriginKey[]];

const KNOWN: Readonly<Record<string, Shaper>> = { ...SHAPERS, ...ORIGINS, [PANELS]: panelShaper };
/** What a stored shape began as; one that is not known here keeps the pieces that were drawn. */
export const shaperOf = (key: string): Shaper => KNOWN[key] ?? ORIGINS.imported;
export const SHAPER_KEYS = Object.keys(SHAPERS) as [ShaperKey, ...ShaperKey[]];
export const SHAPE_KEYS = [...SHAPER_KEYS, ...ORIGIN_KEYS, PANELS] as [string, ...string[]];
