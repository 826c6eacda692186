<script lang="ts">
	/** What of the costume's purchases is over, and goes to the stash with its price and its day. */
	import type { Leftover } from '$core/answers/lots.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Weave from '$lib/ui/Weave.svelte';

	interface Props {
		leftovers: readonly Leftover[];
		/** The costume counts the stash at cost. */
		atCost: boolean;
	}
	let { leftovers, atCost }: Props = $props();
</script>

<Form command="keepLeftovers" label="Left over">
	<ul class="plain">
		<!-- What is over after some of it went is another line. -->
		{#each leftovers as { material: m, units } (`${m.id} ${units}`)}
			<li>
				<label>
					<input type="checkbox" name="keep[]" value={m.id} checked />
					<Weave weave={WEAVE_OF_FAMILY[m.family] ?? 'plain'} />
					<b>{m.name}</b>
				</label>
				<Field
					name="units{m.id}"
					label="{m.name}: how much"
					hideLabel
					value={formatNumber(units, 3)}
					inputmode="decimal"
					suffix={m.unit}
				/>
				{#if m.family === 'glue' || m.family === 'paint'}<span class="until small"
						>good until <Field name="until{m.id}" label="{m.name}: good until" hideLabel type="date" /></span
					>{:else}<span></span>{/if}
			</li>
		{/each}
	</ul>
	<FormError name="keep" />
	<div class="foot">
		<Field name="place" label="Where it goes" hint="empty: where each usually lies" />
		<p class="small soft">
			{atCost
				? 'What goes to the stash is taken off what the costume costs, as it counts the stash at cost.'
				: 'The costume has paid for it: it counts the stash at nothing.'}
		</p>
		<Submit>Put what is ticked in the stash</Submit>
	</div>
</Form>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 9em 16em;
		gap: 4px 16px;
		align-items: center;
		border-bottom: 1px solid var(--rule);
		min-height: 48px;
	}
	label {
		display: flex;
		gap: 10px;
		align-items: center;
		min-height: 44px;
		cursor: pointer;
	}
	input[type='checkbox'] {
		width: 22px;
		height: 22px;
		flex: none;
	}
	.until {
		display: flex;
		gap: 8px;
		align-items: center;
		white-space: nowrap;
	}
	.foot {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 20px;
		align-items: end;
		margin-top: 12px;
	}
	.foot p {
		flex: 1;
		min-width: 220px;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr) 9em;
			padding-block: 4px;
		}
		.until {
			grid-column: 1 / -1;
		}
	}
</style>
