import type { Component } from '$core/facts/component.ts';
import type { MeasureRecord } from '$core/facts/measureRecord.ts';
import type { Workshop } from '$core/facts/workshop.ts';

/** What a file that is brought in is brought to. */
export interface BroughtTo {
	/** Of the file. */
	name: string;
	component: Component;
	components: readonly Component[];
	fit: MeasureRecord;
	workshop: Workshop;
	onDone: (id: number) => void;
}
