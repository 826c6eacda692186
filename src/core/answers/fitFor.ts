import type { Wearer } from '../facts/bodyMeasure.ts';
import type { Component } from '../facts/component.ts';
import type { Material } from '../facts/material.ts';

/** Whom a shape is made for, over what, and of what it may be cut. */
export interface FitFor {
	component: Component;
	components: readonly Component[];
	wearers: readonly Wearer[];
	/** What pieces may be cut from. */
	materials: readonly (Pick<Material, 'id' | 'thicknessMm'> &
		Partial<Pick<Material, 'family' | 'widthMm' | 'lengthMm' | 'stretchAcross' | 'stretchAlong'>>)[];
}
