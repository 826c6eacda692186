import type { Point3 } from '../../units/point.ts';
import { problem } from '../../units/problem.ts';
import type { Edge, Outline } from '../../facts/piece.ts';
import { piece } from '../pattern/piece.ts';
import type { Piece } from '../../facts/piece.ts';
import { rectangle } from '../pattern/sector.ts';
import { count, mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';
import { round } from '../pattern/solid.ts';
import { capital } from '../../units/names.ts';

/** One line of the cut list. */
export interface NetLayer {
	layer: number;
	/** Where it is sewn on, down from the waist, mm. */
	line: number;
	/** Round the base there, mm. */
	girth: number;
	width: number;
	/** Round × fullness, mm. */
	length: number;
	strips: number;
	/** Of the soft net, from 1: colours run from the top down in groups as equal as can be. */
	colour: number;
	/** Of the template that its lower edge is cut by, from 1. */
	template: number;
	/** Every other layer is sewn on upside down and folded over: it stands off the one beneath. */
	upwards: boolean;
}

/** Which of `parts` equal groups the i-th of n is in, from 1. */
const groupOf = (i: number, n: number, parts: number) => Math.floor((i * Math.min(parts, n)) / n) + 1;

/**
 * Layers of gathered net on a flared base, sewn on evenly spaced lines from the hem up, the longest girth at the hem.
 * Widths run evenly from the top layer to the bottom one; so does the fullness. Every layer is cut twice, of
 * structure net and of the soft net that it carries: soft net is never a layer alone. Common practice.
 */
export function netLayers(v: {
	waist: number;
	hem: number;
	base: number;
	layers: number;
	widthTop: number;
	widthBottom: number;
	fullnessTop: number;
	fullnessBottom: number;
	cloth: number;
	colours?: number;
	templates?: number;
}): NetLayer[] {
	return Array.from({ length: v.layers }, (_, i): NetLayer => {
		const t = v.layers === 1 ? 1 : i / (v.layers - 1);
		const line = (v.base * (i + 1)) / (v.layers + 1);
		const girth = v.waist + ((v.hem - v.waist) * line) / v.base;
		const fullness = v.fullnessTop + (v.fullnessBottom - v.fullnessTop) * t;
		const length = girth * fullness;
		return {
			layer: i + 1,
			line,
			girth,
			width: v.widthTop + (v.widthBottom - v.widthTop) * t,
			length,
			strips: Math.ceil(length / v.cloth - 1e-9),
			colour: groupOf(i, v.layers, v.colours ?? 1),
			template: groupOf(i, v.layers, v.templates ?? 1),
			upwards: i % 2 === 1
		};
	});
}

const letter = (n: number) => String.fromCharCode(64 + n);

/** Strips run across the roll: each takes its width of it. */
const roll = (title: string, layers: readonly NetLayer[]): Dimension => ({
	title,
	of: 'length',
	formula: 'sum',
	inputs: layers.map((l) => mm(`layer ${l.layer}: ${l.strips} × width`, l.strips * l.width))
});

/** A card with three scallops to cut the lower edges of a group of layers by. */
function scallopCard(n: number, scallop: number): Piece {
	const arcs = Array.from({ length: 3 }, (_, i): Edge => ({
		kind: 'arc',
		to: [(i + 1) * scallop, 0],
		bulge: 0.6
	}));
	const [wide, high] = [3 * scallop, scallop];
	const outline: Outline = {
		start: [0, 0],
		edges: [
			...arcs,
			{ kind: 'line', to: [wide, high] },
			{ kind: 'line', to: [0, high] },
			{ kind: 'line', to: [0, 0] }
		]
	};
	return piece(`edge template ${n}`, outline, { role: 'card' });
}

export const netSkirt = shaper({
	name: 'layered net skirt',
	makes: 'tutu, petticoat, ball skirt',
	params: {
		waist: {
			name: 'girth of the base at the top',
			unit: 'mm',
			value: 900,
			least: 100,
			most: 5000,
			measure: 'hipGirth'
		},
		hem: { name: 'girth of the base at the hem', unit: 'mm', value: 1500, least: 100, most: 20_000 },
		base: { name: 'length of the base', unit: 'mm', value: 260, least: 20, most: 2000 },
		layers: { name: 'layers', unit: 'count', value: 12, least: 1, most: 60 },
		widthTop: { name: 'width of the top layer', unit: 'mm', value: 380, least: 10, most: 2000 },
		widthBottom: { name: 'width of the bottom layer', unit: 'mm', value: 160, least: 10, most: 2000 },
		fullnessTop: { name: 'fullness of the top layer', unit: 'times', value: 3, least: 1, most: 10 },
		fullnessBottom: { name: 'fullness of the bottom layer', unit: 'times', value: 2, least: 1, most: 10 },
		cloth: { name: 'net width', unit: 'mm', value: 1500, least: 200, most: 4000 },
		soft: {
			name: 'soft net',
			unit: 'count',
			value: 1,
			least: 0,
			most: 1,
			choices: ['none: structure net only', 'on every structure net']
		},
		colours: { name: 'colours of soft net', unit: 'count', value: 1, least: 1, most: 8 },
		templates: {
			name: 'edge templates',
			unit: 'count',
			value: 0,
			least: 0,
			most: 6,
			hint: '0: straight edges'
		},
		scallopTop: { name: 'scallop of the top group', unit: 'mm', value: 60, least: 10, most: 400 },
		scallopBottom: { name: 'scallop of the bottom group', unit: 'mm', value: 30, least: 10, most: 400 }
	},
	shape(v) {
		const layers = netLayers(v);
		const soft = (colour: number) => (v.colours > 1 ? `soft net ${letter(colour)}` : 'soft net');
		const strips = layers.flatMap((l) =>
			['structure net', ...(v.soft ? [soft(l.colour)] : [])].map((net, carried) =>
				piece(
					`layer ${l.layer}, ${net}, sewn ${l.upwards ? 'up' : 'down'}${v.templates ? `, template ${l.template}` : ''}`,
					rectangle(l.length / l.strips, l.width, [
						{ shaped: v.templates > 0 },
						{ seam: 'join' },
						// Soft net is laid on the structure net that carries it: gathered and sewn on with it.
						carried
							? { seam: `line ${l.layer}`, along: true }
							: { seam: `line ${l.layer}`, onto: true, fullness: l.length / l.girth },
						{ seam: 'join' }
					]),
					{ quantity: l.strips, grain: l.upwards ? 270 : 90, role: net }
				)
			)
		);
		const groups = Math.min(v.templates, v.layers);
		const templates = Array.from({ length: groups }, (_, g) => {
			const t = groups === 1 ? 0 : g / (groups - 1);
			return scallopCard(g + 1, v.scallopTop + (v.scallopBottom - v.scallopTop) * t);
		});
		const pieces = [...strips, ...templates];
		const metres = layers.reduce((sum, l) => sum + l.strips * l.width, 0);
		const radius = (girth: number) => girth / (2 * Math.PI);
		return shaped(pieces, {
			dimensions: [
				{
					title: 'From line to line',
					of: 'length',
					formula: 'share',
					inputs: [mm('length of the base', v.base), count('spaces', v.layers + 1)]
				},
				...layers.map((l): Dimension => ({
					title: `Layer ${l.layer}: length`,
					of: 'length',
					formula: 'product',
					inputs: [mm('girth of the base at its line', l.girth), count('fullness', l.length / l.girth)]
				})),
				roll('Structure net, as it comes off the roll', layers),
				...(v.soft
					? Array.from({ length: Math.min(v.colours, v.layers) }, (_, c) =>
							roll(
								`${capital(soft(c + 1))}, as it comes off the roll`,
								layers.filter((l) => l.colour === c + 1)
							)
						)
					: [])
			],
			warnings:
				metres > 50_000 ? [problem('muchCloth', { metres: Math.round(metres / 1000) }, ['layers'])] : [],
			solid: [
				round(radius(v.waist), 0),
				...layers.map((l): Point3[] => {
					const out = radius(l.girth) + l.width * 0.9;
					return Array.from({ length: 97 }, (_, k): Point3 => {
						const a = (2 * Math.PI * k) / 96;
						return [out * Math.cos(a), out * Math.sin(a), -l.line + l.width * 0.12 * Math.sin(k * 1.6)];
					});
				})
			]
		});
	}
});
