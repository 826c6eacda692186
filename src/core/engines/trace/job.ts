import { z } from 'zod';
import { referenceSchema } from '../plane/job.ts';
import { planeOf } from '../plane/reference.ts';
import { cameraOf } from '../plane/camera.ts';
import { inView, rectify, type FlatView, type Pixels } from '../plane/rectify.ts';
import { edgesOf, outlineLength } from '../pattern/outline.ts';
import type { Outline } from '../../facts/piece.ts';
import { sizesOfPiece } from '../pattern/piece.ts';
import { good, type Parsed, bad } from '../../units/problem.ts';
import { LOOKS, trace } from './trace.ts';

/** The job kind `trace`, as docs/jobs.md describes it. */
const MOST_PIXELS = 40_000_000;
export const traceJob = z
	.strictObject({
		kind: z.literal('trace'),
		picture: z.strictObject({
			width: z.number().int().min(2).max(20_000),
			height: z.number().int().min(2).max(20_000),
			/** One byte a pixel, or three: red, green, blue. */
			grey: z.base64().optional(),
			rgb: z.base64().optional()
		}),
		/** The rectangle that lies round what is traced. */
		reference: referenceSchema.options[0],
		mmPerPx: z.number().min(0.05).max(10).default(0.4),
		speck: z.number().min(0).max(1e6).default(225),
		tolerance: z.number().min(0.05).max(20).default(0.4),
		look: z.enum(LOOKS).default('laid'),
		gap: z.number().min(0).max(20).default(0),
		innerLines: z.boolean().default(true),
		/** How high what is laid stands above the mat, mm. */
		high: z.number().min(0).max(200).default(0)
	})
	.superRefine(({ picture, reference, mmPerPx }, ctx) => {
		if ((picture.grey === undefined) === (picture.rgb === undefined))
			ctx.addIssue({ code: 'custom', path: ['picture'], message: 'Needs grey or rgb, one of both.' });
		const flat = (reference.width * reference.height) / mmPerPx ** 2;
		if (Math.max(picture.width * picture.height, flat) > MOST_PIXELS)
			ctx.addIssue({ code: 'custom', path: ['picture'], message: `More than ${MOST_PIXELS} pixels.` });
	});
export type TraceJob = z.infer<typeof traceJob>;

const hundredth = (value: number) => Math.round(value * 100) / 100;
const ended = <T>(work: Generator<number, T>): T => {
	for (;;) {
		const turn = work.next();
		if (turn.done) return turn.value;
	}
};

/** @returns the pieces that a picture with four known corners shows, or what is wrong with it */
export function runTraceJob(job: TraceJob): Parsed<unknown> {
	const { width, height, grey, rgb } = job.picture;
	const text = atob(grey ?? rgb ?? '');
	const bytes = rgb === undefined ? 1 : 3;
	if (text.length !== width * height * bytes)
		return bad('pictureDamaged', {}, ['picture', rgb === undefined ? 'grey' : 'rgb']);
	const data = new Uint8ClampedArray(width * height * 4);
	for (let i = 0; i < width * height; i++) {
		for (let c = 0; c < 3; c++) data[4 * i + c] = text.charCodeAt(bytes * i + (bytes === 3 ? c : 0));
		data[4 * i + 3] = 255;
	}
	const picture: Pixels = { data, width, height };
	const toPlane = planeOf(job.reference);
	if (!toPlane.ok) return { ok: false, problem: { ...toPlane.problem, path: ['reference', 'points'] } };
	const { width: wide, height: high } = job.reference;
	const view: FlatView = { left: 0, top: 0, width: wide, height: high, pixelsPerMm: 1 / job.mmPerPx };
	const { foot, distance, relativeSigma } = cameraOf(toPlane.value, job.reference, picture);
	const above = { foot: inView(foot, view), distance, doubt: relativeSigma };
	const done = ended(trace(ended(rectify(picture, toPlane.value, view)), { ...job, above }));
	if (!done.ok) return done;
	const { pieces, specks, contrast, softness, blurred, warnings } = done.value;
	const line = (outline: Outline) => ({
		length: hundredth(outlineLength(outline)),
		start: outline.start.map(hundredth),
		edges: edgesOf(outline).map(({ edge }) => ({
			kind: edge.kind,
			...(edge.kind === 'cubic' ? { c1: edge.c1.map(hundredth), c2: edge.c2.map(hundredth) } : {}),
			to: edge.to.map(hundredth)
		}))
	});
	return good({
		contrast: hundredth(contrast),
		softness: hundredth(softness),
		blurred,
		specks,
		warnings: warnings.map((w) => ({ code: w.code, ...w.values })),
		pieces: pieces.map((p) => ({
			area: hundredth(sizesOfPiece(p).area),
			outline: line(p.outline),
			holes: p.holes.map(line),
			lines: p.lines.map((l) => l.points.map((q) => q.map(hundredth)))
		}))
	});
}
