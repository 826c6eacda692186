/**
 * The demo's reference pictures, drawn by this script: flat figures of our own, and a slant picture of pattern
 * pieces on a cutting mat. Each shape is also the outline of a callout, so picture and breakdown agree.
 */
export type Spot = readonly [number, number];

export interface DrawnShape {
	/** The component's name; empty for a region nobody has claimed. */
	component: string;
	label?: string;
	side?: 'left' | 'right';
	points: readonly Spot[];
	fill: string;
	/** Drawn but not placed. */
	loose?: boolean;
	/** Placed as a point, not as an outline. */
	point?: boolean;
}

export interface DrawnMeasure {
	label: string;
	component?: string;
	kind: 'length' | 'circle' | 'angle' | 'area' | 'heads';
	points: readonly Spot[];
	offPlaneMm?: number;
}

export interface Drawing {
	title: string;
	angle: 'front' | 'back' | 'left' | 'right' | 'detail';
	design: 'faithful' | 'own';
	sourceNote: string;
	width: number;
	height: number;
	ground: string;
	/** Beneath the shapes. */
	base: readonly { points: readonly Spot[]; fill: string; line?: string }[];
	shapes: readonly DrawnShape[];
	scale: Record<string, unknown> | null;
	measures: readonly DrawnMeasure[];
}

const W = 900;
const MIDDLE = W / 2;
const mirror = (points: readonly Spot[]): Spot[] =>
	points.map(([x, y]): Spot => [2 * MIDDLE - x, y]).reverse();

/** The wearer's left half, on the viewer's right; the other half is its mirror. */
const HALF: Spot[] = [
	[450, 100],
	[488, 112],
	[502, 160],
	[488, 225],
	[470, 252],
	[474, 285],
	[540, 300],
	[588, 322],
	[612, 400],
	[638, 520],
	[672, 640],
	[700, 738],
	[690, 790],
	[664, 792],
	[648, 736],
	[612, 640],
	[582, 540],
	[560, 440],
	[548, 520],
	[540, 590],
	[560, 690],
	[562, 820],
	[548, 960],
	[552, 1060],
	[540, 1180],
	[545, 1255],
	[590, 1292],
	[586, 1302],
	[478, 1302],
	[482, 1180],
	[474, 1060],
	[478, 900],
	[456, 700]
];
const BODY: Spot[] = [...HALF, ...mirror(HALF)];

const ring = (cx: number, cy: number, r: number, n = 28): Spot[] =>
	Array.from({ length: n }, (_, i): Spot => [
		cx + r * Math.cos((2 * Math.PI * i) / n),
		cy + r * Math.sin((2 * Math.PI * i) / n)
	]);
const pair = (component: string, fill: string, left: Spot[]): DrawnShape[] => [
	{ component, fill, side: 'left', points: left },
	{ component, fill, side: 'right', points: mirror(left) }
];

const PAULDRON: Spot[] = [
	[520, 292],
	[585, 290],
	[634, 340],
	[640, 410],
	[588, 402],
	[545, 360]
];
const BRACER: Spot[] = [
	[612, 548],
	[648, 536],
	[690, 690],
	[652, 704]
];
const GREAVE: Spot[] = [
	[480, 985],
	[552, 985],
	[548, 1090],
	[540, 1190],
	[486, 1190],
	[478, 1090]
];
const BOOT: Spot[] = [
	[480, 1195],
	[546, 1195],
	[552, 1250],
	[600, 1290],
	[596, 1310],
	[474, 1310]
];
const COAT: Spot[] = [
	[392, 286],
	[508, 286],
	[560, 312],
	[612, 410],
	[646, 540],
	[606, 556],
	[566, 450],
	[556, 560],
	[600, 910],
	[450, 940],
	[300, 910],
	[344, 560],
	[334, 450],
	[294, 556],
	[254, 540],
	[288, 410],
	[340, 312]
];
const STAFF: Spot[] = [
	[212, 300],
	[226, 300],
	[240, 1290],
	[222, 1290]
];

const figure = (
	title: string,
	angle: 'front' | 'back',
	ground: string,
	shapes: DrawnShape[],
	more: Pick<Drawing, 'scale' | 'measures'> = { scale: null, measures: [] }
): Drawing => ({
	title,
	angle,
	design: 'faithful',
	sourceNote: 'our own sketch',
	width: W,
	height: 1400,
	ground,
	base: [
		{
			points: [
				[0, 1290],
				[W, 1290],
				[W, 1400],
				[0, 1400]
			],
			fill: '#7d8f88'
		},
		{ points: BODY, fill: '#c9b7a3', line: '#5b5047' }
	],
	shapes,
	...more
});

/** A figure's height in the picture stands for the wearer's stature. */
const standing = (mm: number) => ({
	kind: 'height',
	points: [
		[450, 100],
		[450, 1302]
	],
	mm
});

/** A pinhole view of a table, mm to pixels: the mat seen at a slant. */
const SLANT = (38 * Math.PI) / 180;
const onMat = ([x, y]: Spot): Spot => {
	const [dx, dy] = [x - 240, y - 170];
	const depth = 760 - dy * Math.sin(SLANT);
	return [Math.round(800 + (1500 * dx) / depth), Math.round(600 + (1500 * dy * Math.cos(SLANT)) / depth)];
};
const A4: Spot[] = [
	[60, 40],
	[357, 40],
	[357, 250],
	[60, 250]
];
const CUT_BRACER: Spot[] = [
	[390, 60],
	[470, 50],
	[505, 240],
	[440, 258],
	[372, 240]
];
const grid = Array.from({ length: 19 }, (_, i) => [-60 + i * 40]).flatMap(([at]) => [
	{
		points: [
			[at!, -60],
			[at! + 1.2, -60],
			[at! + 1.2, 420],
			[at!, 420]
		] as Spot[],
		fill: '#2f6a66'
	},
	...(at! <= 420
		? [
				{
					points: [
						[-60, at!],
						[620, at!],
						[620, at! + 1.2],
						[-60, at! + 1.2]
					] as Spot[],
					fill: '#2f6a66'
				}
			]
		: [])
]);

const MAT: Drawing = {
	title: 'Bracer card on the mat',
	angle: 'detail',
	design: 'own',
	sourceNote: 'taken on the cutting mat, with a sheet of A4',
	width: 1600,
	height: 1200,
	ground: '#8b7558',
	base: [
		{
			points: (
				[
					[-60, -60],
					[620, -60],
					[620, 420],
					[-60, 420]
				] as Spot[]
			).map(onMat),
			fill: '#1d4f4e'
		},
		...grid.map((g) => ({ ...g, points: g.points.map(onMat) })),
		{ points: A4.map(onMat), fill: '#fbfaf4', line: '#d5d2c4' }
	],
	shapes: [
		{ component: 'Bracers', side: 'left', points: CUT_BRACER.map(onMat), fill: '#d9b98a' },
		{ component: 'Quay badge', points: ring(210, 310, 32).map(onMat), fill: '#c99b3a' }
	],
	scale: { kind: 'rectangle', points: A4.map(onMat), width: 297, height: 210 },
	measures: [
		{
			label: 'Bracer, wrist end',
			component: 'Bracers',
			kind: 'length',
			points: (
				[
					[390, 60],
					[470, 50]
				] as Spot[]
			).map(onMat)
		},
		{
			label: 'Quay badge',
			component: 'Quay badge',
			kind: 'circle',
			points: [0, 5, 11, 16, 22].map((i) => onMat(ring(210, 310, 32)[i]!))
		},
		{ label: 'Bracer, one side', component: 'Bracers', kind: 'area', points: CUT_BRACER.map(onMat) }
	]
};

/** Pictures by the costume's name. */
export const DRAWINGS: Record<string, readonly Drawing[]> = {
	'Lamplighter of Quay Nine': [
		figure(
			'Sketch, front',
			'front',
			'#dfe8e3',
			[
				...pair('Sea boots', '#2e3b3a', BOOT),
				{ component: 'Watch coat', points: COAT, fill: '#46566a' },
				...pair('Greaves', '#a88546', GREAVE),
				{
					component: 'Breastplate',
					points: [
						[378, 306],
						[450, 330],
						[522, 306],
						[540, 380],
						[530, 480],
						[508, 566],
						[450, 590],
						[392, 566],
						[370, 480],
						[360, 380]
					],
					fill: '#b08d3f'
				},
				{ component: 'Quay badge', points: ring(494, 392, 16, 12), fill: '#e6d08a', point: true },
				...pair('Pauldrons', '#c39f4c', PAULDRON),
				...pair('Bracers', '#7a5a34', BRACER),
				{
					component: 'Keel wig',
					points: [
						[396, 118],
						[450, 84],
						[504, 118],
						[522, 180],
						[512, 262],
						[490, 240],
						[488, 158],
						[450, 132],
						[412, 158],
						[410, 240],
						[388, 262],
						[378, 180]
					],
					fill: '#9aa3a6'
				},
				{
					component: 'Great lantern',
					side: 'right',
					points: [...STAFF, ...ring(219, 214, 84)],
					fill: '#5d4a35',
					loose: true
				},
				{ component: 'Great lantern', side: 'right', points: ring(219, 214, 84), fill: '#f6d98a' },
				{ component: 'Lamp heart', points: ring(219, 214, 24, 14), fill: '#fff7d8', loose: true },
				{
					component: '',
					label: 'pouch at the belt?',
					points: [
						[470, 600],
						[528, 600],
						[532, 660],
						[474, 664]
					],
					fill: '#6b4b2a'
				}
			],
			{
				scale: standing(1820),
				measures: [
					{
						label: 'Staff and globe',
						component: 'Great lantern',
						kind: 'length',
						points: [
							[219, 130],
							[231, 1290]
						]
					},
					{
						label: 'Globe',
						component: 'Great lantern',
						kind: 'circle',
						points: [3, 8, 14, 20, 25].map((i) => ring(219, 214, 84)[i]!)
					},
					{
						label: 'Head heights',
						kind: 'heads',
						points: [
							[450, 100],
							[450, 252]
						]
					},
					{
						label: 'Pauldron, across',
						component: 'Pauldrons',
						kind: 'length',
						points: [
							[520, 292],
							[640, 410]
						],
						offPlaneMm: 60
					}
				]
			}
		),
		figure('Sketch, back', 'back', '#dfe4e8', [
			...pair('Sea boots', '#2e3b3a', BOOT).map((s): DrawnShape => ({
				...s,
				side: s.side === 'left' ? 'right' : 'left'
			})),
			{ component: 'Watch coat', points: COAT, fill: '#3d4c5f' },
			...pair('Pauldrons', '#b08f43', PAULDRON).map((s): DrawnShape => ({
				...s,
				side: s.side === 'left' ? 'right' : 'left'
			})),
			{
				component: 'Keel wig',
				points: [
					[396, 118],
					[450, 84],
					[504, 118],
					[526, 190],
					[516, 330],
					[450, 350],
					[384, 330],
					[374, 190]
				],
				fill: '#9aa3a6'
			}
		]),
		MAT
	],
	'Foam-Crest Dancer': [
		figure('Costume plate, front', 'front', '#e8f0ee', [
			{
				component: 'Tide skirt',
				points: [
					[372, 590],
					[528, 590],
					[600, 700],
					[690, 930],
					[560, 980],
					[450, 960],
					[340, 980],
					[210, 930],
					[300, 700]
				],
				fill: '#9fd0c0'
			},
			{
				component: 'Pearl bodice',
				points: [
					[392, 300],
					[450, 330],
					[508, 300],
					[540, 400],
					[524, 520],
					[528, 592],
					[372, 592],
					[376, 520],
					[360, 400]
				],
				fill: '#f0eadf'
			},
			{
				component: 'Wave embroidery',
				points: [
					[410, 400],
					[450, 380],
					[490, 400],
					[482, 450],
					[450, 470],
					[418, 450]
				],
				fill: '#7fb6c9'
			},
			{
				component: 'Spray crown',
				points: [
					[380, 120],
					[360, 40],
					[410, 78],
					[450, 20],
					[490, 78],
					[540, 40],
					[520, 120],
					[450, 96]
				],
				fill: '#cfe6f2'
			},
			...pair('Long gloves', '#e4d9c8', [
				[624, 520],
				[652, 510],
				[702, 738],
				[690, 792],
				[662, 790],
				[648, 736]
			])
		])
	],
	'Ferrywoman of the Low Tide': [
		figure('Photo of the first wearing, redrawn', 'front', '#e9e6dc', [
			{
				component: 'Oilskin cape',
				points: [
					[380, 280],
					[450, 300],
					[520, 280],
					[640, 380],
					[720, 760],
					[600, 720],
					[560, 450],
					[450, 420],
					[340, 450],
					[300, 720],
					[180, 760],
					[260, 380]
				],
				fill: '#c7a23a'
			},
			{
				component: 'Rope belt',
				points: [
					[366, 566],
					[534, 566],
					[540, 600],
					[360, 600]
				],
				fill: '#b99b6b'
			},
			{
				component: 'Tide mask',
				points: [
					[412, 140],
					[450, 128],
					[488, 140],
					[484, 200],
					[450, 230],
					[416, 200]
				],
				fill: '#6fa3a0'
			},
			{
				component: 'Oar',
				side: 'left',
				points: [
					[740, 90],
					[756, 90],
					[764, 1000],
					[800, 1060],
					[796, 1280],
					[744, 1290],
					[730, 1060],
					[750, 1000]
				],
				fill: '#8a6a45'
			}
		])
	]
};

/** The picture as SVG, for the encoder. */
export function drawingSvg(d: Drawing): string {
	const path = (points: readonly Spot[]) =>
		`M${points.map((p) => p.map((v) => v.toFixed(1)).join(' ')).join('L')}Z`;
	const shapes = [
		...d.base.map(
			(b) => `<path d="${path(b.points)}" fill="${b.fill}" stroke="${b.line ?? 'none'}" stroke-width="3"/>`
		),
		...d.shapes.map(
			(s) =>
				`<path d="${path(s.points)}" fill="${s.fill}" stroke="#2a2622" stroke-width="3" stroke-linejoin="round"/>`
		)
	];
	return `<svg xmlns="http://www.w3.org/2000/svg" width="${d.width}" height="${d.height}"><rect width="100%" height="100%" fill="${d.ground}"/>${shapes.join('')}</svg>`;
}
