<script lang="ts">
	/** What will stand on a shelf that is empty, and the form that begins it with its day. */
	import pluralize from 'pluralize';
	import { asComponents, readLines } from '$core/answers/quickLine.ts';
	import { STARTING_SETS } from '$core/trade/startingSet.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { daysLeftFigure } from '$core/explain/plan.ts';
	import { parseLocalTime } from '$core/units/localTime.ts';
	import BodyFigure from '$lib/ui/BodyFigure.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import NewCostumeFields from './NewCostumeFields.svelte';

	interface Props {
		currency: string;
		inSixWeeks: string;
		now: number;
		onDone: (result: unknown) => void;
	}
	let { currency, inSixWeeks, now, onDone }: Props = $props();
	// svelte-ignore state_referenced_locally
	let eventAt = $state(inSixWeeks);
	/** Whole days from today; null while no day is typed. */
	const days = $derived.by(() => {
		const at = parseLocalTime(eventAt);
		return at.ok ? valueOf(daysLeftFigure({ eventAt: at.value }, now)) : null;
	});
	const sample = asComponents(readLines(STARTING_SETS[0]!.lines.join('\n'), [], handbook()), []);
</script>

<Sheet title="Nothing on the shelf yet">
	<div class="begin">
		<Form command="addCostume" {onDone} label="First costume">
			<p>
				A costume is one character for one wearer and its event. Begin with the day on which it has to be
				worn.
			</p>
			<NewCostumeFields {currency} bind:eventAt dayFirst />
			<Submit>Begin the first costume</Submit>
		</Form>
		<div class="sample">
			<p class="answer" aria-live="polite">
				{days === null
					? 'Which day?'
					: days < 0
						? 'That day is over.'
						: `${pluralize('day', days, true)} left`}
			</p>
			<BodyFigure components={sample} />
			<p class="small soft">
				So a costume will stand here: what it is made of on the figure, each layer outside the one beneath,
				stitched as far as it is made; with the hours and the money that it still takes, and what is next.
			</p>
		</div>
	</div>
</Sheet>

<style>
	.begin {
		display: grid;
		grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
		gap: 16px 32px;
	}
	.begin p {
		margin-bottom: 8px;
	}
	.sample {
		--figure-ink: var(--ink-soft);
		--figure-line: var(--ink);
		--figure-ground: var(--sheet);
		border-left: 1px dashed var(--rule);
		padding-left: 24px;
	}
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
	}
	@media (max-width: 700px) {
		.begin {
			grid-template-columns: minmax(0, 1fr);
		}
		.sample {
			border: 0;
			padding: 0;
		}
	}
</style>
