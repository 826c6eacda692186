/** Zones of the body figure. Left and right are the wearer's own, not the viewer's. */
export const ZONES = [
	'head',
	'face',
	'neck',
	'shoulder-left',
	'shoulder-right',
	'chest',
	'back',
	'upper-arm-left',
	'upper-arm-right',
	'forearm-left',
	'forearm-right',
	'hand-left',
	'hand-right',
	'waist',
	'hips',
	'thigh-left',
	'thigh-right',
	'shin-left',
	'shin-right',
	'foot-left',
	'foot-right'
] as const;

export type Zone = (typeof ZONES)[number];

/** `upper-arm-left` → `left upper arm`. */
export function zoneWords(zone: Zone): string {
	const side = /-(left|right)$/.exec(zone)?.[1];
	const plain = zone.replace(/-(left|right)$/, '').replace('-', ' ');
	return side ? `${side} ${plain}` : plain;
}
