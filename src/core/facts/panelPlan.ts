import { z } from 'zod';

/**
 * Where on a form, so that it moves with the wearer: a level, counted in measured levels of its limb from the top (4 is the chest of
 * the trunk, 4.5 half way to the next), and how far round, in degrees from the wearer's left towards the front: 90 is the middle of
 * the front, 270 that of the back. On an arm or a leg of a pair 0 is outside.
 */
export const PLACES = { level: [-1, 20], turn: [-360, 720] } as const;
export const bodyPoint = z.strictObject({
	level: z.number().min(PLACES.level[0]).max(PLACES.level[1]),
	turn: z.number().min(PLACES.turn[0]).max(PLACES.turn[1])
});
export type BodyPoint = z.infer<typeof bodyPoint>;

export const PANEL_LIMBS = ['trunk', 'arm', 'leg'] as const;
export type PanelLimb = (typeof PANEL_LIMBS)[number];

/** How an edge runs from its point to the next: the shortest way on the surface, or evenly by level and turn. */
export const EDGE_RUNS = ['shortest', 'even'] as const;

export const MOST_PANELS = 12;
export const MOST_DARTS = 24;
/** Cloth takes so much at a seam without folds: common practice, from memory. */
export const MOST_EASED = 0.1;
/** Round that is left, mm, either way. */
export const MOST_EASE = 600;

export const panelPlan = z.strictObject({
	limb: z.enum(PANEL_LIMBS),
	panels: z
		.array(
			z.strictObject({
				name: z.string().trim().min(1).max(60),
				points: z
					.array(
						bodyPoint.extend({
							runs: z.enum(EDGE_RUNS).default('even'),
							/** The edge after it is eased in: longer than what it meets by this share. */
							eases: z.number().min(0).max(MOST_EASED).optional()
						})
					)
					.min(3)
					.max(80)
			})
		)
		.min(1)
		.max(MOST_PANELS),
	/** Cuts into a panel: from a point of its border to a tip within it. */
	darts: z
		.array(
			z.strictObject({
				panel: z
					.number()
					.int()
					.min(0)
					.max(MOST_PANELS - 1),
				from: bodyPoint,
				tip: bodyPoint
			})
		)
		.max(MOST_DARTS)
		.default([]),
	/** Round that is left at a level of its own, mm: elsewhere as the shape has it, smoothly between. */
	ease: z
		.array(
			z.strictObject({
				level: z.number().int().min(0).max(20),
				mm: z.number().min(-MOST_EASE).max(MOST_EASE)
			})
		)
		.max(21)
		.default([]),
	/** What is symmetric about the middle is cut as a half on the fold. */
	fold: z.boolean().default(false)
});
export type PanelPlan = z.infer<typeof panelPlan>;
export type Panel = PanelPlan['panels'][number];
export type Corners = Panel['points'];
export type Dart = PanelPlan['darts'][number];
