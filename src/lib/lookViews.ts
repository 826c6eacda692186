/** The views of the stations Look, Measure and Pattern. */
export const lookViews = (base: string) => [
	{ href: `${base}/look`, name: 'Components' },
	{ href: `${base}/look/pictures`, name: 'Pictures' },
	{ href: `${base}/look/layers`, name: 'Layers' },
	{ href: `${base}/look/stand`, name: 'On the stand' },
	{ href: `${base}/look/sheet`, name: 'Breakdown sheet' }
];
export const measureViews = (base: string) => [
	{ href: `${base}/measure`, name: 'Wearers' },
	{ href: `${base}/measure/goes-on`, name: 'Does it go on?' },
	{ href: `${base}/measure/stand`, name: 'Stand' },
	{ href: `${base}/measure/pictures`, name: 'From pictures' },
	{ href: `${base}/measure/resize`, name: 'Resize' },
	{ href: `${base}/measure/fittings`, name: 'Fittings' }
];
export const patternViews = (base: string) => [
	{ href: `${base}/pattern`, name: 'Shapes' },
	{ href: `${base}/pattern/new`, name: 'New shape' },
	{ href: `${base}/pattern/stand`, name: 'From the stand' },
	{ href: `${base}/pattern/bring`, name: 'Bring in' },
	{ href: `${base}/pattern/material`, name: 'Cut from' },
	{ href: `${base}/pattern/print`, name: 'Print' }
];
