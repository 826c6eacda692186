import type { FlatView } from '../core/measure/plane/rectify.ts';
import type { Homography } from '../core/measure/plane/homography.ts';

/** Everything that pages and workers say to each other. */
export interface FlattenRequest {
	kind: 'flatten';
	/** The picture as it was stored. */
	picture: Blob;
	toPlane: Homography;
	view: FlatView;
}
export interface FlattenResult {
	picture: Blob;
	width: number;
	height: number;
}

export type Request = FlattenRequest;
export interface Results {
	flatten: FlattenResult;
}

export type FromWorker<K extends keyof Results = keyof Results> =
	| { type: 'progress'; share: number }
	| { type: 'result'; result: Results[K] }
	| { type: 'error'; code: string };

/** How a request ends: every one of them does. */
export type Outcome<T> =
	| { ok: true; result: T }
	| { ok: false; code: 'stopped' | 'workerLost' | 'pictureDamaged' | 'tooLittleMemory' };
