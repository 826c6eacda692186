/**
 * Cautions, shown where a step is planned and again when it starts. Usual workshop cautions (common
 * practice), never a promise of safety: the label, local rules and qualified people decide.
 */
export interface Caution {
	/** What is worn, commas between. */
	wear: string;
	do: string;
	source: string;
}
const caution = (wear: string, words: string): Caution => ({ wear, do: words, source: 'common practice' });

export const CAUTIONS = {
	solvent: caution(
		'organic-vapour respirator, gloves',
		'Outdoors or in strong airflow. No flame or spark near it.'
	),
	heat: caution('heat gloves', 'Heat gun, hot glue and hot plastic burn and fume. Never a flame on PVC.'),
	dust: caution('dust mask, eye protection', 'Collect the dust; do not blow it about.'),
	blade: caution('', 'Fresh blade, cut away from the body, on a mat.'),
	resin: caution('gloves, eye protection', 'Keep off the skin. Ventilate; mind the pot life and its heat.'),
	needle: caution('', 'Fingers clear of the needle; switch off to thread.'),
	electric: caution(
		'',
		'Solder fumes: ventilate. Fuse the cell, no lithium cell near hot parts. Mains only by a qualified person.'
	),
	skin: caution('', 'Latex and skin adhesive: patch test a day before.'),
	bodyWrap: caution(
		'',
		'Never tight round the neck or chest, never over mouth or nose. A second person stays with blunt scissors. Minutes only; stop and cut it off at once when it is hard to breathe, faint or cold.'
	)
} as const satisfies Record<string, Caution>;

export type CautionKey = string;

export const CAUTION_CLOSING =
	'Follow the product’s label and local rules; ask a qualified person when in doubt.';
