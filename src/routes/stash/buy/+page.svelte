<script lang="ts">
	/** What several costumes buy together: one choice over all that they need, on the list of each with its share. */
	import { dayOf, dayWords } from '$core/units/localTime.ts';
	import ChoosePurchase from '$lib/ui/buy/ChoosePurchase.svelte';
	import Room from '$lib/ui/Room.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const buyers = $derived(data.costumes.filter((c) => c.buys));
	const key = $derived(buyers.map((b) => b.id).join(' '));
	let form = $state<HTMLFormElement>();
</script>

<svelte:head><title>Buy together · Dapper Ledger</title></svelte:head>
<Room>
	<Sheet title="Buy together">
		{#if data.costumes.length < 2}
			<p class="soft">
				{data.costumes.length === 1 ? 'One costume is' : 'No costume is'} at work. With a second one, what both
				need is bought here in one parcel, and each pays its part.
			</p>
		{:else}
			<form method="get" bind:this={form} data-sveltekit-keepfocus data-sveltekit-noscroll>
				<fieldset>
					<legend>For whom</legend>
					{#each data.costumes as c (c.id)}
						{@const other = c.currency !== data.currency}
						{@const last = c.buys && buyers.length <= 2}
						<label class:off={other || last}>
							<input
								type="checkbox"
								name="for"
								value={c.id}
								checked={c.buys}
								disabled={other}
								onclick={(e) => last && e.preventDefault()}
								aria-disabled={last}
								onchange={() => form?.requestSubmit()}
							/>
							{c.name}
							<span class="small soft"
								>{dayWords(dayOf(c.eventAt))}{other ? `, paid in ${c.currency}` : ''}</span
							>
						</label>
					{/each}
				</fieldset>
			</form>
		{/if}
	</Sheet>
	{#if buyers.length > 1}
		{#key key}
			<ChoosePurchase
				{buyers}
				wants={data.wants}
				open={data.open}
				materials={data.materials}
				offers={data.offers}
				workshop={data.workshop}
				currency={data.currency}
				now={data.now}
			/>
		{/key}
	{/if}
</Room>

<style>
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 24px;
		border: 0;
		padding: 0;
		margin: 0;
	}
	legend {
		padding: 0;
		margin-bottom: 4px;
	}
	label {
		display: inline-flex;
		gap: 8px;
		align-items: baseline;
		min-height: 32px;
		cursor: pointer;
	}
	.off {
		cursor: default;
	}
	p {
		margin: 0;
	}
	@media (max-width: 700px) {
		label {
			min-height: 44px;
			align-items: center;
		}
	}
</style>
