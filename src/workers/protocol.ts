import type { Layout, LayoutTask } from '../core/engines/layout/stock.ts';
import type { PurchaseChoice } from '../core/answers/purchaseChoice.ts';
import type { Mix, MixTask } from '../core/engines/colour/mix.ts';
import type { Packing, PackTask as CaseTask } from '../core/engines/case/pack.ts';
import type { PackTask } from '../core/engines/purchase/task.ts';
import type { FlatView } from '../core/engines/plane/rectify.ts';
import type { SvgRead } from '../core/formats/readSvg.ts';
import type { Traced, TraceOptions } from '../core/engines/trace/trace.ts';
import type { Mesh } from '../core/engines/mesh/mesh.ts';
import type { UnfoldWayKey } from '../core/engines/mesh/unfold.ts';
import type { Piece } from '../core/facts/piece.ts';
import type { Parsed, Problem } from '../core/units/problem.ts';
import type { Odds } from '../core/engines/schedule/odds.ts';
import type { Plan, PlanOrder, PlanProblem } from '../core/engines/schedule/problem.ts';
import type { Triage, TriageTask } from '../core/engines/schedule/triage.ts';
import type { LocalMinutes } from '../core/units/localTime.ts';
import type { PanelValues } from '../core/answers/panelShape.ts';
import type { Relief } from '../core/engines/panels/relief.ts';
import type { PanelPlan } from '../core/facts/panelPlan.ts';
import type { FlatPieces } from '../core/engines/flatten/pieces.ts';
import type { Homography } from '../core/engines/plane/homography.ts';

/** Everything that pages and workers say to each other. */
export interface FlattenRequest {
	kind: 'flatten';
	/** The picture as it was stored. */
	picture: Blob;
	toPlane: Homography;
	/** The radial term that the lens bends by. */
	lens: number;
	view: FlatView;
}
export interface FlattenResult {
	picture: Blob;
	width: number;
	height: number;
}

/** Unfolds a mesh that was read and checked on the page. */
export interface UnfoldRequest {
	kind: 'unfold';
	mesh: Mesh;
	thickness: number;
	most: number | null;
}
/** One way in which it comes apart; the fewest pieces first. */
export interface UnfoldedWay {
	key: UnfoldWayKey;
	pieces: Piece[];
	seamLength: number;
	notes: Problem[];
}

/** Lays panels on the form of a wearer flat. */
export interface PanelsRequest {
	kind: 'panels';
	/** mm by measure and side, as `chestGirth none`. */
	measures: Readonly<Record<string, number>>;
	/** Breadth to depth of sections that somebody said. */
	sections: Record<string, number>;
	plan: PanelPlan;
	side: string;
	values: PanelValues;
	limit: number;
	/** Whether something is looked for that lowers the strain. */
	seek: boolean;
}
export interface PanelsResult extends FlatPieces {
	seamLength: number;
	panelOf: number[];
	vertices: [number, number, number][];
	faces: [number, number, number][];
	/** Of each face. */
	strainOf: number[];
	/** Closed lines of points round the pieces, on the body. */
	rims: number[][];
	/** The best first; null where nothing was looked for. */
	proposed: Relief[] | null;
	/** The piece that is pulled most. */
	worst: number;
}

/** Reads a shape of triangles. */
export interface MeshRequest {
	kind: 'mesh';
	bytes: Uint8Array;
}
export interface MeshResult {
	mesh: Mesh;
	/** The same in as few faces as show what it is. */
	few: Mesh;
	notes: Problem[];
}

/** Cuts a curved mesh into patches that lie flat within a limit of strain. */
export interface PatchesRequest {
	kind: 'patches';
	mesh: Mesh;
	limit: number;
	most: number | null;
	seconds: number;
}
export interface PatchesResult extends FlatPieces {
	/** After it was thinned. */
	faces: number;
}

/** Reads the pieces of a drawing. */
export interface ReadRequest {
	kind: 'read';
	format: 'svg' | 'dxf';
	text: string;
	/** mm of one unit where the file does not say. */
	unit: number | null;
}
export type ReadResult = SvgRead;

/** Lays a picture flat and traces what lies on it. */
export interface TraceRequest {
	kind: 'trace';
	picture: Blob;
	toPlane: Homography;
	lens: number;
	view: FlatView;
	/** All but the scale, which the view gives. */
	options: Omit<TraceOptions, 'mmPerPx'>;
}
export interface TraceResult extends Traced {
	/** As it was seen square on. */
	flat: Blob;
}

/** Lays pieces out for so long, or until nothing better is found. */
export interface LayoutRequest {
	kind: 'layout';
	task: LayoutTask;
	seconds: number;
}
export interface LayoutResult {
	layout: Layout;
	/** Since it began. */
	seconds: number;
}

/** Looks for a sooner plan for so long at most, then simulates builds of the best. */
export interface PlanRequest {
	kind: 'plan';
	problem: PlanProblem;
	/** The order in use. */
	order: PlanOrder;
	/** 0: builds of the order in use, and no search. */
	seconds: number;
	seed: number;
	runs: number;
	/** How much of a slip is common to all steps of a build. */
	shared: number;
	slip: number;
	by: readonly LocalMinutes[];
}
export interface PlanResult {
	plan: Plan;
	/** Null until builds were simulated, and when something cannot be placed. */
	odds: Odds | null;
}

/** Weighs what could be left out or added, by simulated builds. */
export interface TriageRequest extends TriageTask {
	kind: 'triage';
}

/** Chooses what to buy for so long at most. */
export interface PurchaseRequest {
	kind: 'purchase';
	task: PackTask;
	/** Of each that buys, where there are several. */
	apart: PackTask[];
	seconds: number;
}

/** Packs cases for so long at most. */
export interface CaseRequest {
	kind: 'case';
	task: CaseTask;
	seconds: number;
}

/** Looks for drops of paints that come to a colour. */
export interface MixRequest {
	kind: 'mix';
	task: MixTask;
}

export type Request =
	| CaseRequest
	| MeshRequest
	| MixRequest
	| PanelsRequest
	| PatchesRequest
	| PurchaseRequest
	| FlattenRequest
	| UnfoldRequest
	| ReadRequest
	| TraceRequest
	| LayoutRequest
	| PlanRequest
	| TriageRequest;
export interface Results {
	flatten: FlattenResult;
	unfold: UnfoldedWay[];
	mesh: MeshResult;
	panels: PanelsResult;
	patches: PatchesResult;
	read: ReadResult;
	trace: TraceResult;
	layout: LayoutResult;
	plan: PlanResult;
	triage: Triage;
	purchase: PurchaseChoice;
	mix: Mix[];
	case: Packing;
}

export type FromWorker<K extends keyof Results = keyof Results> =
	| { type: 'progress'; share: number }
	/** The best so far: work that can be stopped with something in hand. */
	| { type: 'best'; result: Results[K] }
	| { type: 'end'; outcome: Parsed<Results[K]> };
