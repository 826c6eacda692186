import type { Component } from '../facts/component.ts';
import type { StandardRoute } from './route.ts';

/** Weave marks: a shape for each family of material, so that colour is never the only carrier. */
export const WEAVES = ['dots', 'twill', 'waves', 'crosshatch', 'rings', 'rays', 'strokes', 'plain'] as const;
export type Weave = (typeof WEAVES)[number];

export const WEAVE_OF_FAMILY: Record<string, Weave> = {
	foam: 'dots',
	cloth: 'twill',
	hair: 'waves',
	hard: 'crosshatch',
	closure: 'rings',
	light: 'rays',
	paint: 'strokes',
	glue: 'plain',
	tool: 'plain',
	other: 'plain'
};

const WEAVE_OF_ROUTE: Readonly<Record<string, Weave>> = {
	foamPlate: 'dots',
	clothWrappedFoam: 'twill',
	thermoplasticOverFoam: 'crosshatch',
	printedPart: 'crosshatch',
	castPart: 'crosshatch',
	foundObject: 'crosshatch',
	sculpted: 'dots',
	wig: 'waves',
	light: 'rays'
} satisfies Partial<Record<StandardRoute, Weave>>;

const WEAVE_OF_KIND: Record<Component['kind'], Weave> = {
	armor: 'dots',
	garment: 'twill',
	wig: 'waves',
	prop: 'crosshatch'
};

/** The mark of what a component is mainly made of: by its route, else by its kind. */
export const weaveOf = (component: Pick<Component, 'kind' | 'route'>): Weave =>
	(component.route && WEAVE_OF_ROUTE[component.route]) || WEAVE_OF_KIND[component.kind];
