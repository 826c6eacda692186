import type { Component } from '../facts/component.ts';
import type { PanelPresetKey } from '../engines/panels/presets.ts';

/** Words of a component's name that say which panels it begins with, the longer ones first. */
const SAID: readonly [RegExp, PanelPresetKey][] = [
	[/hood|cowl|coif/i, 'hood'],
	[/faulds?|tassets?|(cuirass|armou?r|plate).*skirt/i, 'cuirassSkirt'],
	[/pauldron|shoulder/i, 'pauldron'],
	[/back ?plate/i, 'backPlate'],
	[/breast|chest|cuirass|plackart/i, 'breastplateTwo'],
	[/bodice|corset|vest|waistcoat|coat|jacket|tunic|shirt|dress/i, 'bodicePrincess'],
	[/collar|gorget|neck/i, 'collar'],
	[/mask|face/i, 'mask'],
	[/sleeve|vambrace|bracer|arm/i, 'sleeve'],
	[/legging|greave|trouser|hose|leg/i, 'leggings']
];

/** The panels that a component begins with: by its name, else by where it is worn. */
export function presetFor({ name, zones }: Pick<Component, 'name' | 'zones'>): PanelPresetKey {
	const text = `${name} ${zones.join(' ')}`;
	return (
		SAID.find(([words]) => words.test(name))?.[1] ??
		SAID.find(([words]) => words.test(text))?.[1] ??
		'breastplateTwo'
	);
}
