import { biasStrips } from './shapers/biasStrips.ts';
import { boning } from './shapers/boning.ts';
import { bow } from './shapers/bow.ts';
import { circleSkirt } from './shapers/circleSkirt.ts';
import { cone } from './shapers/cone.ts';
import { domeDisc } from './shapers/domeDisc.ts';
import { domeGores } from './shapers/domeGores.ts';
import { eyelets } from './shapers/eyelets.ts';
import { fan } from './shapers/fan.ts';
import { gathers } from './shapers/gathers.ts';
import { horn } from './shapers/horn.ts';
import { netSkirt } from './shapers/netSkirt.ts';
import { plateBox } from './shapers/plateBox.ts';
import { pleats } from './shapers/pleats.ts';
import { ridge } from './shapers/ridge.ts';
import { roundArray } from './shapers/roundArray.ts';
import { ruffle } from './shapers/ruffle.ts';
import { sash } from './shapers/sash.ts';
import { scaleStrip } from './shapers/scaleStrip.ts';
import { shieldDish } from './shapers/shieldDish.ts';
import { strap } from './shapers/strap.ts';
import { taperedBand } from './shapers/taperedBand.ts';
import { tubeWrap } from './shapers/tubeWrap.ts';
import { wefts } from './shapers/wefts.ts';
import { ovalBand } from './shapers/ovalBand.ts';
import { flatPanel } from './shapers/flatPanel.ts';
import { cape } from './shapers/cape.ts';
import { glove } from './shapers/glove.ts';
import { shoeCover } from './shapers/shoeCover.ts';
import { bad } from '../problem.ts';
import type { Shaper } from './shaper.ts';

/** The family: one file a shape, one signature. */
export const SHAPERS = {
	taperedBand,
	ovalBand,
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

/** What a stored shape began as. */
export type ShapeKey = ShaperKey | OriginKey;
export const shaperOf = (key: ShapeKey): Shaper => ({ ...SHAPERS, ...ORIGINS })[key];
export const SHAPER_KEYS = Object.keys(SHAPERS) as [ShaperKey, ...ShaperKey[]];
export const SHAPE_KEYS = [...SHAPER_KEYS, ...ORIGIN_KEYS] as [ShapeKey, ...ShapeKey[]];
