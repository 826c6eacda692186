import { z } from 'zod';
import { CELLS, lightCircuit } from './circuit.ts';

const volts = z
	.number()
	.positive('Volts are more than nothing.')
	.max(60, 'At most 60 V: more is for qualified people.');
const milliamps = z.number().positive('A current is more than nothing.').max(50_000);
const count = z.number().int().min(1).max(1000);
const cell = z.union([
	z
		.enum(Object.keys(CELLS) as [keyof typeof CELLS, ...(keyof typeof CELLS)[]])
		.transform((name) => CELLS[name]),
	z
		.strictObject({
			volts,
			milliampHours: z.number().positive().max(1e6),
			emptyVolts: volts,
			mostMilliamps: milliamps.nullable().default(null)
		})
		.refine((c) => c.emptyVolts < c.volts, {
			path: ['emptyVolts'],
			message: 'It is empty below what it has when it is full.'
		})
]);

/** The job kind `light`, as docs/jobs.md describes it. */
export const lightJob = z.strictObject({
	kind: z.literal('light'),
	cell,
	inSeries: count.default(1),
	rows: count.default(1),
	strands: z
		.array(
			z.strictObject({
				id: z.string().min(1).max(200),
				forwardVolts: volts,
				milliamps,
				inSeries: count.default(1),
				strings: count.default(1)
			})
		)
		.min(1, 'Needs a strand.')
		.max(200)
		.refine((strands) => new Set(strands.map((s) => s.id)).size === strands.length, {
			message: 'Two strands have the same id.'
		}),
	series: z.enum(['E12', 'E24']).default('E24'),
	fuseMilliamps: milliamps.nullable().default(null),
	switchMilliamps: milliamps.nullable().default(null),
	hours: z.number().positive().max(10_000).nullable().default(null)
});

/** Resistors, currents, powers, hours, and what is over a limit. */
export const runLightJob = ({ kind: _, ...circuit }: z.infer<typeof lightJob>) => lightCircuit(circuit);
